package org.zealousladder.bench;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;

/**
 * A workbook as large as they come, looked at by an administrator of the district: from the first byte to the picture with our fields over its columns, all rows checked.
 * Asks meanwhile how far it is, as the page does. Arguments: the server's address and the workbook.
 */
public final class MatchingBenchmark {
    private static final double BUDGET_S = 60;

    private MatchingBenchmark() {}

    public static void main(String[] arguments) throws Exception {
        Path file = Path.of(arguments[1]);
        DemoPerson person = new DemoPerson(arguments[0], "a.sandvik");
        long start = System.nanoTime();
        CompletableFuture<HttpResponse<byte[]>> answer = CompletableFuture.supplyAsync(() -> {
            try {
                return person.upload(file);
            } catch (java.io.IOException | InterruptedException e) {
                throw new IllegalStateException(e);
            }
        });
        int told = 0;
        String last = "";
        while (!answer.isDone()) {
            Thread.sleep(500);
            String turn = person.get("/api/records/imports/turn");
            if (turn.contains("\"step\"") && !turn.equals(last)) {
                told++;
                last = turn;
            }
        }
        HttpResponse<byte[]> done = answer.get();
        double seconds = (System.nanoTime() - start) / 1e9;
        String text = DemoPerson.text(done);
        if (done.statusCode() != 200) {
            throw new IllegalStateException(done.statusCode() + " " + text);
        }
        String counts = text.replaceAll("(?s).*\"rows\":(\\d+),\"added\":(\\d+).*\"refused\":(\\d+).*", "$1 rows, $2 new, $3 refused");
        System.out.printf(Locale.ROOT, "a workbook of %.0f MB matched in 512 MB: %s, %.1f s: %.2f of the budget of 60 s; its progress was told %d times%n",
                Files.size(file) / 1e6, counts.length() > 80 ? counts.substring(0, 80) : counts, seconds, seconds / BUDGET_S, told);
    }
}
