package org.zealousladder.server.school.erasing;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Asking for a student to be erased, and saying yes to it. */
@RestController
class ErasingController {
    private final ErasingService erasing;

    ErasingController(ErasingService erasing) {
        this.erasing = erasing;
    }

    record ErasureForm(@NotBlank(message = "say why") @Size(max = 500, message = "is too long") String reason) {}

    record ErasureYes(@NotBlank(message = "type the student's code") @Size(max = 100, message = "is too long") String code) {}

    @GetMapping("/api/erasures")
    List<ErasingService.Erasure> open() {
        return erasing.open();
    }

    /** @param count how many were shown, or are erased */
    record CountForm(int count) {}

    @GetMapping("/api/erasures/leavers")
    ErasingService.Leavers leavers() {
        return erasing.leavers();
    }

    @PostMapping("/api/erasures/leavers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void askLeavers(@Valid @RequestBody CountForm form) {
        erasing.askLeavers(form.count());
    }

    @PostMapping("/api/erasures/batches/{batch}/confirmation")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void confirmBatch(@PathVariable int batch, @Valid @RequestBody CountForm yes) {
        erasing.confirmBatch(batch, yes.count());
    }

    @DeleteMapping("/api/erasures/batches/{batch}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void dropBatch(@PathVariable int batch) {
        erasing.dropBatch(batch);
    }

    @PostMapping("/api/students/{id}/erasure")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void ask(@PathVariable int id, @Valid @RequestBody ErasureForm form) {
        erasing.ask(id, form.reason().strip());
    }

    @PostMapping("/api/erasures/{id}/confirmation")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void confirm(@PathVariable int id, @Valid @RequestBody ErasureYes yes) {
        erasing.confirm(id, yes.code());
    }

    @DeleteMapping("/api/erasures/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void drop(@PathVariable int id) {
        erasing.drop(id);
    }
}
