package org.zealousladder.server.platform.pages;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;
import org.jspecify.annotations.Nullable;

/** What Tomcat refuses by itself, before any of our filters hears of it: with the headers of every answer, and in a sentence. */
public class PlainErrors extends ErrorReportValve {
    @Override
    protected void report(Request request, Response response, @Nullable Throwable error) {
        int status = response.getStatus();
        if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("X-Frame-Options", "DENY");
        response.setHeader("Content-Security-Policy", "default-src 'none'; frame-ancestors 'none'");
        response.setHeader("Cache-Control", "no-store");
        response.setContentType("text/plain;charset=utf-8");
        String sentence = status < 500 ? "The request could not be read. Go back, or begin anew at the first page."
                : "Something went wrong on our side. What was saved is safe. Try again in a moment.";
        try {
            response.getOutputStream().write(sentence.getBytes(StandardCharsets.UTF_8));
        } catch (IOException | IllegalStateException e) {
            // Whoever asked has gone, or has part of another answer: there is nobody to tell.
            container.getLogger().debug("no answer to a refused request", e);
        }
    }
}
