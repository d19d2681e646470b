package org.zealousladder.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.atomic.LongAdder;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * A school morning that goes on: fifty people of the district demo of all roles look, type scores, bring files in, take them out and ask for reports,
 * with one among them whose line hardly moves. Prints what was answered, how long it took, and the server's memory and open files by the minute.
 */
public final class Soak {
    private static final int TEACHERS = 44;
    private static final int COORDINATORS = 5;
    /** Twice the budgets of {@link ViewLatency}, in milliseconds. */
    private static final int CLASS_LIMIT = 120;
    private static final int SCHOOL_LIMIT = 400;
    private static final Pattern STUDENT = Pattern.compile("\"student\":\\{\"id\":(\\d+),\"code\":\"([^\"]+)\"");

    private final String address;
    private final long until;
    private final Map<String, List<Long>> times = new ConcurrentHashMap<>();
    private final Map<Integer, LongAdder> answers = new ConcurrentSkipListMap<>();
    private final List<String> failures = Collections.synchronizedList(new ArrayList<>());

    private Soak(String address, Duration lasts) {
        this.address = address;
        this.until = System.nanoTime() + lasts.toNanos();
    }

    /** @param args the server's address, its process id, and for how many minutes */
    public static void main(String[] args) throws Exception {
        Soak soak = new Soak(args[0], Duration.ofSeconds(Math.round(60 * Double.parseDouble(args[2]))));
        List<Thread> people = new ArrayList<>();
        for (int t = 0; t < TEACHERS; t++) {
            String login = "teacher.%d.%d.%d".formatted(t + 1, 2 + t % 5, 1 + t % 5);
            people.add(soak.begin(t, login, soak::teacher));
        }
        for (int c = 0; c < COORDINATORS; c++) {
            people.add(soak.begin(100 + c, "coordinator." + (c + 1), soak::coordinator));
        }
        people.add(soak.begin(200, "a.sandvik", soak::administrator));
        people.add(soak.begin(300, "teacher.50.2.1", soak::slow));
        List<long[]> minutes = soak.watch(args[1]);
        for (Thread person : people) {
            person.join();
        }
        System.exit(soak.verdict(minutes) ? 0 : 1);
    }

    private interface Work {
        /** @param scope asked for once, when somebody has signed in, as the pages do */
        void one(DemoPerson person, String scope, Random random) throws IOException, InterruptedException;
    }

    private Thread begin(int seed, String login, Work work) {
        Thread thread = new Thread(() -> {
            Random random = new Random(seed);
            while (System.nanoTime() < until) {
                try {
                    DemoPerson person = new DemoPerson(address, login);
                    String scope = login.startsWith("teacher") ? person.classScope() : person.schoolScope();
                    // Signs in anew after a while.
                    for (int i = 0; i < 60 && System.nanoTime() < until; i++) {
                        work.one(person, scope, random);
                        // As in ViewLatency, whose budgets these are.
                        Thread.sleep(random.nextInt(4000));
                    }
                } catch (IOException | IllegalStateException e) {
                    failures.add(login + ": " + e);
                } catch (InterruptedException e) {
                    return;
                }
            }
        });
        thread.start();
        return thread;
    }

    private HttpResponse<byte[]> counted(String kind, DemoPerson person, String method, String path, String type, String body)
            throws IOException, InterruptedException {
        long start = System.nanoTime();
        HttpResponse<byte[]> answer = person.send(method, path, type, body);
        times.computeIfAbsent(kind, k -> Collections.synchronizedList(new ArrayList<>())).add(System.nanoTime() - start);
        answers.computeIfAbsent(answer.statusCode(), s -> new LongAdder()).increment();
        if (answer.statusCode() >= 500) {
            failures.add(method + " " + path + ": " + answer.statusCode() + " " + DemoPerson.text(answer));
        }
        return answer;
    }

    private void teacher(DemoPerson person, String scope, Random random) throws IOException, InterruptedException {
        int dice = random.nextInt(100);
        if (dice < 80) {
            String[] views = {"/api/desk?", "/api/ladder?measure=1&", "/api/trends?measure=1&", "/api/coverage?", "/api/table?", "/api/tiers?", "/api/entry?",
                    "/api/plans?measure=1&", "/api/meeting?measure=1&", "/api/reading?"};
            counted("a class's view", person, "GET", views[random.nextInt(views.length)] + scope, null, "");
            return;
        }
        Matcher students = STUDENT.matcher(DemoPerson.text(counted("a class's view", person, "GET", "/api/table?" + scope, null, "")));
        List<String[]> found = new ArrayList<>();
        while (students.find()) {
            found.add(new String[] {students.group(1), students.group(2)});
        }
        LocalDate day = LocalDate.parse(DemoPerson.TODAY).minusDays(random.nextInt(60));
        if (dice < 93 || found.isEmpty()) {
            String[] one = found.get(random.nextInt(found.size()));
            // Where one is on record for the day it is a conflict, as it would be.
            counted("a score", person, "POST", "/api/scores", "application/json", "{\"studentId\":" + one[0] + ",\"measureId\":1,\"takenOn\":\"" + day
                    + "\",\"value\":" + (20 + random.nextInt(80)) + ",\"status\":\"scored\",\"sure\":true}");
        } else {
            StringBuilder file = new StringBuilder("student,measure,date,score\n");
            found.forEach(s -> file.append(s[1]).append(",oral-reading,").append(day).append(',').append(20 + random.nextInt(80)).append('\n'));
            Matcher id = Pattern.compile("\"id\":(\\d+)").matcher(
                    DemoPerson.text(
                            counted("a file looked at", person, "POST", "/api/records/imports?name=week.csv", "application/octet-stream", file.toString())));
            if (id.find()) {
                counted("a file dropped", person, "DELETE", "/api/records/imports/" + id.group(1), null, "");
            }
        }
    }

    private void coordinator(DemoPerson person, String scope, Random random) throws IOException, InterruptedException {
        int dice = random.nextInt(100);
        if (dice < 85) {
            String[] views = {"/api/desk?", "/api/ladder?measure=5&", "/api/table?", "/api/tiers?", "/api/coverage?", "/api/trends?measure=1&"};
            counted("a school's view", person, "GET", views[random.nextInt(views.length)] + scope, null, "");
        } else if (dice < 95) {
            counted("scores taken out", person, "GET", "/api/records/scores.csv?measure=1&" + scope, null, "");
        } else {
            String[] parts = scope.split("[&=]");
            Matcher id = Pattern.compile("\"id\":(\\d+)")
                    .matcher(DemoPerson.text(counted("a report begun", person, "POST", "/api/report/pdf", "application/json",
                            "{\"who\":\"" + parts[1] + "\",\"year\":" + parts[3] + ",\"measure\":5,\"asOf\":\"" + DemoPerson.TODAY + "\"}")));
            for (int i = 0; i < 60 && id.reset().find(); i++) {
                Thread.sleep(1000);
                if (DemoPerson.text(counted("how far a report is", person, "GET", "/api/papers/" + id.group(1), null, "")).contains("\"ready\":true")) {
                    counted("a report", person, "GET", "/api/papers/" + id.group(1) + "/file", null, "");
                    return;
                }
            }
        }
    }

    private void administrator(DemoPerson person, String scope, Random random) throws IOException, InterruptedException {
        counted("the history", person, "GET", random.nextBoolean() ? "/api/history" : "/api/history?words=teacher.1", null, "");
        counted("a student's page", person, "GET", "/api/students/" + (1 + random.nextInt(40_000)) + "?asOf=" + DemoPerson.TODAY, null, "");
    }

    /** Says it will send a file, sends a byte every few seconds, and begins anew when it has been sent away. */
    private void slow(DemoPerson person, String scope, Random random) throws IOException, InterruptedException {
        URI to = URI.create(address);
        try (Socket socket = new Socket(to.getHost(), to.getPort())) {
            OutputStream out = socket.getOutputStream();
            out.write(("POST /api/records/imports?name=slow.csv HTTP/1.1\r\nHost: " + to.getAuthority()
                    + "\r\nContent-Type: application/octet-stream\r\nContent-Length: 60000\r\nCookie: "
                    + person.cookieLine() + "\r\n\r\n").getBytes(StandardCharsets.UTF_8));
            for (int i = 0; i < 20 && System.nanoTime() < until; i++) {
                out.write('x');
                Thread.sleep(3000);
            }
        } catch (java.net.SocketException sentAway) {
            // As it should be.
        }
    }

    /** Memory in MB and open files of the server, a line a minute. */
    private List<long[]> watch(String pid) throws IOException, InterruptedException {
        List<long[]> minutes = new ArrayList<>();
        long begun = System.nanoTime();
        while (System.nanoTime() < until) {
            Thread.sleep(Math.min(60_000, Math.max(1, (until - System.nanoTime()) / 1_000_000)));
            long memory = Files.readAllLines(Path.of("/proc", pid, "status")).stream().filter(l -> l.startsWith("VmRSS"))
                    .mapToLong(l -> Long.parseLong(l.replaceAll("\\D+", "")) / 1024)
                    .findFirst().orElseThrow();
            long files;
            try (Stream<Path> open = Files.list(Path.of("/proc", pid, "fd"))) {
                files = open.count();
            }
            minutes.add(new long[] {memory, files});
            System.out.printf(Locale.ROOT, "after %.0f min: %d answers, %d failures, %d MB, %d open files%n", (System.nanoTime() - begun) / 60e9,
                    answers.values().stream().mapToLong(LongAdder::sum).sum(), failures.size(), memory, files);
        }
        return minutes;
    }

    private boolean verdict(List<long[]> minutes) {
        boolean well = failures.isEmpty();
        System.out.println("answers by status: " + answers);
        failures.stream().limit(20).forEach(f -> System.out.println("  failed: " + f));
        for (var kind : new TreeMap<>(times).entrySet()) {
            List<Long> nanos = new ArrayList<>(kind.getValue());
            Collections.sort(nanos);
            double p95 = nanos.get((int) (nanos.size() * 0.95)) / 1e6;
            int limit = kind.getKey().equals("a class's view") ? CLASS_LIMIT : kind.getKey().equals("a school's view") ? SCHOOL_LIMIT : 0;
            well &= limit == 0 || p95 <= limit;
            System.out.printf(Locale.ROOT, "%s: %d answers, p50 %.0f ms, p95 %.0f ms%s%n", kind.getKey(), nanos.size(), nanos.get(nanos.size() / 2) / 1e6, p95,
                    limit == 0 ? "" : String.format(Locale.ROOT, ": %.2f of twice the budget", p95 / limit));
        }
        if (minutes.size() >= 4) {
            int half = minutes.size() / 2;
            double early = minutes.subList(half / 2, half).stream().mapToLong(m -> m[0]).average().orElseThrow();
            double late = minutes.subList(half + half / 2, minutes.size()).stream().mapToLong(m -> m[0]).average().orElseThrow();
            double filesEarly = minutes.subList(half / 2, half).stream().mapToLong(m -> m[1]).average().orElseThrow();
            double filesLate = minutes.subList(half + half / 2, minutes.size()).stream().mapToLong(m -> m[1]).average().orElseThrow();
            System.out.printf(Locale.ROOT, "memory of the last quarter against the second: %.2f; open files: %.2f (flat: at most 1.15)%n", late / early,
                    filesLate / filesEarly);
            well &= late / early <= 1.15 && filesLate / filesEarly <= 1.15;
        }
        System.out.println(well ? "held" : "did not hold");
        return well;
    }
}
