package org.zealousladder.cli;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import picocli.CommandLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** A command that has run. */
record Ran(int code, String out, String err) {
    JsonNode json() {
        return JsonMapper.shared().readTree(out);
    }

    static Path file(Path folder, String name, String... lines) throws IOException {
        return Files.writeString(folder.resolve(name), String.join("\n", lines) + "\n");
    }

    static Ran run(Object command, Object... arguments) {
        PrintStream out = System.out;
        PrintStream err = System.err;
        ByteArrayOutputStream outBytes = new ByteArrayOutputStream();
        ByteArrayOutputStream errBytes = new ByteArrayOutputStream();
        StringWriter usage = new StringWriter();
        System.setOut(new PrintStream(outBytes, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(errBytes, true, StandardCharsets.UTF_8));
        try {
            int code = new CommandLine(command).setErr(new PrintWriter(usage)).execute(Arrays.stream(arguments).map(Object::toString).toArray(String[]::new));
            return new Ran(code, outBytes.toString(StandardCharsets.UTF_8), errBytes.toString(StandardCharsets.UTF_8) + usage);
        } finally {
            System.setOut(out);
            System.setErr(err);
        }
    }
}
