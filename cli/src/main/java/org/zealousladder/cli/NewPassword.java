package org.zealousladder.cli;

import java.io.BufferedReader;
import java.io.Console;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;

/** A password as it is asked for: twice and unseen at a terminal, the first line where there is none. */
final class NewPassword {
    private NewPassword() {}

    static String ask(@Nullable Console console, InputStream in) throws IOException {
        if (console == null) {
            String line = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8)).readLine();
            if (line == null) {
                throw new CommandLine.PicocliException("There is no terminal to ask at; give the password as a line on standard input.");
            }
            return line;
        }
        String first = String.valueOf(console.readPassword("New password: "));
        if (!first.equals(String.valueOf(console.readPassword("Once more: ")))) {
            throw new CommandLine.PicocliException("The two are not the same. Nothing was changed.");
        }
        return first;
    }
}
