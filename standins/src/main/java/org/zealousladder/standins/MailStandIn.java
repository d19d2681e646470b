package org.zealousladder.standins;

import com.sun.net.httpserver.HttpServer;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;

/**
 * A mail server that keeps what it is given and shows it on a page, on loopback: the least of RFC 5321 that a sender needs. An address that begins with {@code refused} is refused
 * for good, one that begins with {@code busy} for now; after a letter to one that begins with {@code cut} the line breaks before the answer.
 */
public final class MailStandIn implements AutoCloseable {
    private static final int MOST = 1000;
    private static final int LONGEST = 200_000;

    private final ServerSocket smtp;
    private final HttpServer page;
    private final ExecutorService lines = Executors.newCachedThreadPool(r -> {
        Thread t = new Thread(r, "mail stand-in");
        t.setDaemon(true);
        return t;
    });
    private final List<Mail> mails = new CopyOnWriteArrayList<>();

    /** What was handed over: the envelope, and the whole message. */
    public record Mail(String from, List<String> to, String message) {
        /** A header field of the message, unfolded; empty where it has none. */
        public String header(String name) {
            String head = message.split("\r\n\r\n", 2)[0].replaceAll("\r\n[ \t]+", " ");
            return head.lines().filter(l -> l.regionMatches(true, 0, name + ":", 0, name.length() + 1)).map(l -> l.substring(name.length() + 1).strip())
                    .findFirst().orElse("");
        }

        /** The text, decoded. */
        public String text() {
            String[] parts = message.split("\r\n\r\n", 2);
            String body = parts.length < 2 ? "" : parts[1];
            return switch (header("Content-Transfer-Encoding").toLowerCase(java.util.Locale.ROOT)) {
                case "base64" -> new String(java.util.Base64.getMimeDecoder().decode(body), StandardCharsets.UTF_8);
                case "quoted-printable" -> quotedPrintable(body);
                default -> body;
            };
        }

        /** The subject, its encoded words decoded. */
        public String subject() {
            java.util.regex.Matcher words = java.util.regex.Pattern.compile("=\\?UTF-8\\?([BQ])\\?([^?]*)\\?=\\s*", java.util.regex.Pattern.CASE_INSENSITIVE)
                    .matcher(header("Subject"));
            return words.replaceAll(m -> java.util.regex.Matcher.quoteReplacement(m.group(1).equalsIgnoreCase("B")
                    ? new String(java.util.Base64.getDecoder().decode(m.group(2)), StandardCharsets.UTF_8) : quotedPrintable(m.group(2).replace('_', ' '))))
                    .strip();
        }

        private static String quotedPrintable(String text) {
            byte[] raw = text.replace("=\r\n", "").getBytes(StandardCharsets.ISO_8859_1);
            java.io.ByteArrayOutputStream out = new java.io.ByteArrayOutputStream();
            for (int i = 0; i < raw.length; i++) {
                if (raw[i] == '=' && i + 2 < raw.length) {
                    out.write(Integer.parseInt(new String(raw, i + 1, 2, StandardCharsets.ISO_8859_1), 16));
                    i += 2;
                } else {
                    out.write(raw[i]);
                }
            }
            return out.toString(StandardCharsets.UTF_8);
        }
    }

    /**
     * Begins to listen on loopback.
     *
     * @param port for mail; 0: any that is free
     * @param pagePort for the page; 0: any that is free
     */
    public MailStandIn(int port, int pagePort) throws IOException {
        smtp = new ServerSocket(port, 50, InetAddress.getLoopbackAddress());
        page = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), pagePort), 10);
        page.createContext("/", exchange -> {
            byte[] html = html().getBytes(StandardCharsets.UTF_8);
            exchange.getResponseHeaders().set("Content-Type", "text/html; charset=utf-8");
            exchange.getResponseHeaders().set("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'");
            exchange.sendResponseHeaders(200, html.length);
            try (OutputStream out = exchange.getResponseBody()) {
                out.write(html);
            }
        });
        page.setExecutor(lines);
        page.start();
        lines.execute(this::listen);
    }

    public int port() {
        return smtp.getLocalPort();
    }

    /** The address of the page. */
    public String address() {
        return "http://127.0.0.1:" + page.getAddress().getPort() + "/";
    }

    /** What came, the oldest first. */
    public List<Mail> mails() {
        return List.copyOf(mails);
    }

    private void listen() {
        while (!smtp.isClosed()) {
            try {
                Socket line = smtp.accept();
                lines.execute(() -> talk(line));
            } catch (IOException e) {
                if (!smtp.isClosed()) {
                    throw new UncheckedIOException(e);
                }
            }
        }
    }

    private void talk(Socket line) {
        try (line;
                BufferedReader in = new BufferedReader(new InputStreamReader(line.getInputStream(), StandardCharsets.ISO_8859_1));
                OutputStream out = line.getOutputStream()) {
            line.setSoTimeout(60_000);
            say(out, "220 stand-in");
            String from = "";
            List<String> to = new CopyOnWriteArrayList<>();
            for (String said = in.readLine(); said != null; said = in.readLine()) {
                String verb = said.length() < 4 ? said : said.substring(0, 4).toUpperCase(java.util.Locale.ROOT);
                switch (verb) {
                    case "EHLO", "HELO" -> say(out, "250 stand-in");
                    case "MAIL" -> {
                        from = address(said);
                        to.clear();
                        say(out, "250 yes");
                    }
                    case "RCPT" -> {
                        String whom = address(said);
                        if (whom.startsWith("refused")) {
                            say(out, "550 nobody of that name");
                        } else if (whom.startsWith("busy")) {
                            say(out, "451 not now");
                        } else {
                            to.add(whom);
                            say(out, "250 yes");
                        }
                    }
                    case "DATA" -> {
                        say(out, "354 go on");
                        String message = message(in);
                        if (mails.size() < MOST) {
                            mails.add(new Mail(from, List.copyOf(to), message));
                        }
                        if (to.stream().anyMatch(t -> t.startsWith("cut"))) {
                            return;
                        }
                        say(out, "250 kept");
                    }
                    case "RSET", "NOOP" -> say(out, "250 yes");
                    case "QUIT" -> {
                        say(out, "221 bye");
                        return;
                    }
                    default -> say(out, "502 not known here");
                }
            }
        } catch (IOException e) {
            // The other end went away.
        }
    }

    private static String message(BufferedReader in) throws IOException {
        StringBuilder all = new StringBuilder();
        for (String l = in.readLine(); l != null && !l.equals("."); l = in.readLine()) {
            if (all.length() < LONGEST) {
                all.append(l.startsWith("..") ? l.substring(1) : l).append("\r\n");
            }
        }
        return all.toString();
    }

    private static String address(String said) {
        int from = said.indexOf('<');
        int to = said.indexOf('>', from);
        return from < 0 || to < 0 ? "" : said.substring(from + 1, to);
    }

    private static void say(OutputStream out, String what) throws IOException {
        out.write((what + "\r\n").getBytes(StandardCharsets.US_ASCII));
        out.flush();
    }

    private String html() {
        StringBuilder all = new StringBuilder(
                "<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><title>Mail that went out</title><style>body{font:15px/1.45 system-ui;max-width:46em;"
                        + "margin:2em auto;padding:0 1em;background:#fbf9f4;color:#1d2733}article{border-top:1px solid #ddd7cb;padding:.6em 0}pre{white-space:pre-wrap;font:inherit;margin:.4em 0}"
                        + "small{color:#56606b}</style><h1>Mail that went out</h1><p>A stand-in for a mail server: nothing left this machine. Reload to see what has come since.</p>");
        if (mails.isEmpty()) {
            all.append("<p>Nothing yet.</p>");
        }
        for (int i = mails.size() - 1; i >= 0; i--) {
            Mail m = mails.get(i);
            all.append("<article><b>").append(escaped(m.subject())).append("</b><br><small>to ").append(escaped(String.join(", ", m.to())))
                    .append(", answers to ")
                    .append(escaped(m.header("Reply-To"))).append("</small><pre>").append(escaped(m.text())).append("</pre></article>");
        }
        return all.append("</html>").toString();
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }

    @Override
    public void close() throws IOException {
        smtp.close();
        page.stop(0);
        lines.shutdownNow();
    }
}
