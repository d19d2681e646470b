package org.zealousladder.server;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.function.BiFunction;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.springframework.test.web.servlet.ResultActions;
import org.verapdf.gf.foundry.VeraGreenfieldFoundryProvider;
import org.verapdf.pdfa.Foundries;
import org.verapdf.pdfa.PDFAParser;
import org.verapdf.pdfa.PDFAValidator;
import org.verapdf.pdfa.flavours.PDFAFlavour;
import org.verapdf.pdfa.results.TestAssertion;
import org.verapdf.pdfa.results.ValidationResult;
import org.zealousladder.server.platform.who.Viewer;

/** Looks into PDFs. */
public final class PdfCheck {
    private PdfCheck() {}

    /** Waits until a PDF that was begun is made, and fetches it. */
    public static byte[] made(BiFunction<Viewer, String, ResultActions> read, Viewer viewer, long id) throws Exception {
        for (int i = 0; i < 600; i++) {
            String progress = read.apply(viewer, "/api/papers/" + id).andReturn().getResponse().getContentAsString();
            assertTrue(!progress.contains("\"failed\":\""), progress);
            if (progress.contains("\"ready\":true")) {
                return read.apply(viewer, "/api/papers/" + id + "/file").andReturn().getResponse().getContentAsByteArray();
            }
            Thread.sleep(100);
        }
        throw new AssertionError("not made in a minute");
    }

    /** All its words, with one space between them wherever a line ends. */
    public static String text(byte[] pdf) throws Exception {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
        }
    }

    /** PDF/UA-1 (ISO 14289-1). */
    public static void forEverybody(byte[] pdf) throws Exception {
        VeraGreenfieldFoundryProvider.initialise();
        try (PDFAParser parser = Foundries.defaultInstance().createParser(new ByteArrayInputStream(pdf), PDFAFlavour.PDFUA_1);
                PDFAValidator validator = Foundries.defaultInstance().createValidator(PDFAFlavour.PDFUA_1, false)) {
            ValidationResult result = validator.validate(parser);
            assertTrue(result.getTotalAssertions() > 300, result.getTotalAssertions() + " checks were made");
            assertEquals(List.of(), result.getTestAssertions().stream().filter(a -> a.getStatus() == TestAssertion.Status.FAILED)
                    .map(a -> a.getRuleId().getClause() + ": " + a.getMessage()).distinct().toList());
        }
    }
}
