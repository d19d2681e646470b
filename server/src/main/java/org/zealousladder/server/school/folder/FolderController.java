package org.zealousladder.server.school.folder;

import io.swagger.v3.oas.annotations.Parameter;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Notes and files of a student. They are read with the student's page; a file's content is fetched by itself. */
@RestController
@RequestMapping("/api/students/{id}/folder")
class FolderController {
    private final FolderService folder;

    FolderController(FolderService folder) {
        this.folder = folder;
    }

    /** @param on what it is of; null: today */
    record NoteForm(@NotBlank(message = "write something") @Size(max = 4000, message = "is too long") String words,
            @NotNull(message = "say who may read it") Readers readers, @Nullable LocalDate on) {}

    record FolderBack(@NotBlank(message = "say why") @Size(max = 200, message = "is too long") String because) {}

    record FolderKept(long id) {}

    @PostMapping("/notes")
    @ResponseStatus(HttpStatus.CREATED)
    FolderKept add(@PathVariable int id, @Valid @RequestBody NoteForm form) {
        return new FolderKept(folder.note(id, form, null));
    }

    @PutMapping("/notes/{note}")
    FolderKept change(@PathVariable int id, @PathVariable long note, @Valid @RequestBody NoteForm form) {
        return new FolderKept(folder.note(id, form, note));
    }

    @PostMapping("/notes/{note}/taken-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBackNote(@PathVariable int id, @PathVariable long note, @Valid @RequestBody FolderBack form) {
        folder.takeBackNote(id, note, form.because());
    }

    /** @param grouped the support whose paper it is */
    @PostMapping(path = "/files", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(content = @Content(mediaType = "application/octet-stream", schema = @Schema(type = "string",
            format = "binary")))
    FolderKept addFile(@PathVariable int id, @RequestParam String name, @RequestParam(required = false) @Nullable String about, @RequestParam Readers readers,
            @RequestParam(required = false) @Nullable Long grouped, @Parameter(hidden = true) HttpServletRequest request) throws IOException {
        if (request.getContentLengthLong() > FolderService.LARGEST) {
            throw FolderService.tooLarge();
        }
        return new FolderKept(
                folder.file(id, new FolderService.Sent(name, about, readers, grouped, request.getInputStream().readNBytes(FolderService.LARGEST + 1))));
    }

    @PostMapping("/files/{file}/taken-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBackFile(@PathVariable int id, @PathVariable long file, @Valid @RequestBody FolderBack form) {
        folder.takeBackFile(id, file, form.because());
    }

    /** Only ever kept on the reader's own machine: no page of ours shows what somebody sent. */
    @GetMapping("/files/{file}")
    ResponseEntity<byte[]> file(@PathVariable int id, @PathVariable long file) {
        FolderService.Served f = folder.content(id, file);
        return ResponseEntity.ok().contentType(MediaType.parseMediaType(f.type().mediaType())).cacheControl(CacheControl.noStore())
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(f.name(), StandardCharsets.UTF_8).build().toString())
                .header("X-Content-Type-Options", "nosniff").header("Content-Security-Policy", "sandbox; default-src 'none'").body(f.content());
    }
}
