package org.zealousladder.server.overview.report;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.zealousladder.server.PdfCheck;
import org.zealousladder.server.measures.measures.MeasureRef;
import org.zealousladder.server.measures.windows.Window;
import org.zealousladder.server.overview.report.ReportView.ReportBand;
import org.zealousladder.server.overview.report.ReportView.ReportStudent;
import org.zealousladder.server.overview.report.ReportView.ReportUntested;
import org.zealousladder.server.school.roster.StudentRef;
import org.zealousladder.server.screening.standings.CellStatus;

class ReportPdfTest {
    private static final Window WINTER = new Window(2, 1, "Winter", LocalDate.of(2026, 1, 12), LocalDate.of(2026, 1, 23));

    private static ReportStudent student(int i, String name, Double goal) {
        return new ReportStudent(new StudentRef(i, "S" + i, name, "X", "Tern", 4), LocalDate.of(2026, 1, 13), 50 + i, i % 3 == 0, 40, goal,
                goal == null ? null : "Secure", "Secure", null);
    }

    private static ReportView report(String title, int students, List<String> questions) {
        List<ReportStudent> low = new ArrayList<>();
        for (int i = 0; i < students; i++) {
            low.add(student(i, "Pupil " + i, 98.0));
        }
        return new ReportView(title, new MeasureRef(1, "Oral reading", "words", "Reading", 0, 250, 0, true), WINTER, "Autumn", "Spring",
                LocalDate.of(2026, 3, 13),
                "24 of 25 screened, 1 absent.", 25, 24, 50,
                List.of(new ReportBand("Secure", 1, 1, 1.0 / (students + 1), 0.5, 0.6, List.of(student(99, "Žofie <Ørsted> & Łęcka", null))),
                        new ReportBand("Needs a lift", 3, students, (double) students / (students + 1), 0.5, 0.4, low)),
                List.of(new ReportUntested(new StudentRef(200, "S200", "Oskar Vane", "OV", "Tern", 4), CellStatus.ABSENT)), questions);
    }

    private static String text(byte[] pdf, int pages) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertEquals(pages, document.getNumberOfPages());
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void aClassFitsOnOnePageWithEverythingItNeeds() throws IOException {
        String text = text(
                ReportPdf.of(List.of(report("Tern class, grade 2", 24, List.of("1 of 25 have no score: when are they tested?", "What changed?"))), false),
                1);
        for (String part : List.of("Tern class, grade 2", "24 of 25 screened, 1 absent.", "The school's grade, 50", "For the meeting", "What changed?",
                "Needs a lift (tier 3): 24",
                "98 for Secure", "Needs in spring", "Without a score: 1", "Oskar Vane (absent)", "1 of 1")) {
            assertTrue(text.contains(part), part + " in " + text);
        }
    }

    @Test
    void namesOfManyLanguagesAndSignsAreWrittenAsTheyAre() throws IOException {
        assertTrue(text(ReportPdf.of(List.of(report("R&D <class>", 2, List.of())), false), 1).contains("Žofie <Ørsted> & Łęcka"));
    }

    /** From before they were refused. */
    @Test
    void aCharacterThatCannotBeInANameOfEarlierDaysBreaksNothing() throws IOException {
        String text = text(ReportPdf.of(List.of(report("Te\u0007rn \uFFFE\uFFFF \u001B[31m\uD800 class", 2, List.of("Who\u0001?"))), false), 1);
        for (String part : List.of("Te", "rn", "[31m", " class", "Who", "Pupil 1")) {
            assertTrue(text.contains(part), part + " in " + text);
        }
    }

    @Test
    void everyReportBeginsAPage() throws IOException {
        String text = text(ReportPdf.of(List.of(report("First", 3, List.of()), report("Second", 3, List.of()), report("Third", 3, List.of())), false), 3);
        assertTrue(text.indexOf("First") < text.indexOf("Second") && text.indexOf("Second") < text.indexOf("Third"));
    }

    @Test
    void hiddenNamesAreHiddenOnPaperToo() throws IOException {
        String text = text(ReportPdf.of(List.of(report("Tern class, grade 2", 3, List.of())), true), 1);
        assertTrue(!text.contains("Oskar Vane") && !text.contains("Ørsted"), text);
        assertTrue(text.contains("S99") || text.contains("S1"), text);
    }

    /** Held against the rules of ISO 14289-1 (PDF/UA-1) by an independent checker. */
    @Test
    void whoHasItReadToThemGetsAllOfIt() throws Exception {
        byte[] pdf = ReportPdf.of(List.of(report("R&D 'Tern' <class>", 24, List.of("What changed?")), report("Second", 3, List.of())), false);
        PdfCheck.forEverybody(pdf);
    }
}
