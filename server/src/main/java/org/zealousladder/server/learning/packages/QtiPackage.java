package org.zealousladder.server.learning.packages;

import static org.zealousladder.server.platform.files.SafeXml.within;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipInputStream;
import org.jspecify.annotations.Nullable;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.xml.sax.SAXException;
import org.zealousladder.server.platform.files.SafeXml;
import org.zealousladder.server.platform.problems.Refusal;

/** A package of items (a ZIP with {@code imsmanifest.xml}, IMS Content Packaging as QTI 3.0 uses it), or one item by itself. */
record QtiPackage(List<Part> parts, Map<String, byte[]> files) {
    private static final int MOST_FILES = 3000;
    private static final long MOST_BYTES = 100L << 20;

    /** An item's file. @param item null: it could not be read, {@code problem} says why */
    record Part(String place, @Nullable Element item, @Nullable String problem) {}

    /** @throws Refusal 422 for what is no package of items */
    static QtiPackage read(byte[] body) {
        Map<String, byte[]> files = body.length > 3 && body[0] == 'P' && body[1] == 'K' ? unpack(body) : Map.of("item.xml", body);
        List<Part> parts = new ArrayList<>();
        for (String place : places(files)) {
            byte[] file = files.get(place);
            if (file == null) {
                parts.add(new Part(place, null, "The package names it and does not hold it."));
                continue;
            }
            try {
                Element root = SafeXml.read(new ByteArrayInputStream(file)).getDocumentElement();
                if (root.getLocalName().equals("qti-assessment-item") || root.getLocalName().equals("assessmentItem")) {
                    parts.add(new Part(place, root, null));
                } else if (files.size() == 1) {
                    throw none();
                }
            } catch (SAXException | IOException e) {
                if (files.size() == 1) {
                    throw none();
                }
                parts.add(new Part(place, null, "It is no well-formed XML, or has a document type, which is not read."));
            }
        }
        if (parts.isEmpty()) {
            throw none();
        }
        return new QtiPackage(parts, files);
    }

    private static Refusal none() {
        return Refusal.invalid("file",
                "There is no item in it in the form of QTI 3.0. Ask for a QTI 3.0 package (a ZIP with imsmanifest.xml). Nothing was saved.");
    }

    private static Map<String, byte[]> unpack(byte[] body) {
        Map<String, byte[]> files = new LinkedHashMap<>();
        long left = MOST_BYTES;
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(body))) {
            for (ZipEntry e = zip.getNextEntry(); e != null; e = zip.getNextEntry()) {
                String name = e.getName();
                if (name.startsWith("/") || name.contains("..") || name.indexOf('\\') >= 0) {
                    throw Refusal.invalid("file", "The package names places outside of itself. It is not read. Nothing was saved.");
                }
                if (e.isDirectory()) {
                    continue;
                }
                if (files.size() >= MOST_FILES) {
                    throw Refusal.invalid("file", "There are more than " + MOST_FILES + " files in the package. Ask for a part of it. Nothing was saved.");
                }
                byte[] file = zip.readNBytes((int) Math.min(Integer.MAX_VALUE - 8, left + 1));
                left -= file.length;
                if (left < 0) {
                    throw Refusal.invalid("file", "Unpacked it is larger than 100 MB. Ask for a part of it. Nothing was saved.");
                }
                files.put(name, file);
            }
        } catch (ZipException e) {
            throw Refusal.invalid("file", "The package is broken off or damaged. Ask for it again. Nothing was saved.");
        } catch (IOException e) {
            throw Refusal.invalid("file", "The package is broken off or damaged. Ask for it again. Nothing was saved.");
        }
        return files;
    }

    /** The items' files, in the manifest's order; without a manifest every XML file there is. */
    private static List<String> places(Map<String, byte[]> files) {
        Optional<String> manifest = files.keySet().stream().filter(n -> n.equals("imsmanifest.xml") || n.endsWith("/imsmanifest.xml")).findFirst();
        List<String> all = new ArrayList<>();
        if (manifest.isPresent()) {
            String at = manifest.get();
            try (InputStream in = new ByteArrayInputStream(java.util.Objects.requireNonNull(files.get(at)))) {
                Document document = SafeXml.read(in);
                within(document.getDocumentElement()).stream()
                        .filter(e -> e.getLocalName().equals("resource") && e.getAttribute("type").contains("item"))
                        .map(e -> e.getAttribute("href")).filter(h -> !h.isBlank()).map(h -> beside(at, h)).distinct().forEach(all::add);
            } catch (SAXException | IOException e) {
                throw Refusal.invalid("file", "The package's list (imsmanifest.xml) cannot be read. Ask for it again. Nothing was saved.");
            }
        }
        return all.isEmpty() ? files.keySet().stream().filter(n -> n.endsWith(".xml") && !n.endsWith("imsmanifest.xml")).toList() : all;
    }

    /** A place that a file names, seen from the root of the package. */
    static String beside(String file, String named) {
        try {
            String decoded = URLDecoder.decode(named.replace("+", "%2B"), StandardCharsets.UTF_8);
            return URI.create("p:/" + file.replace(" ", "%20")).resolve(decoded.replace(" ", "%20")).getPath().replaceFirst("^/+", "");
        } catch (IllegalArgumentException e) {
            return named;
        }
    }
}
