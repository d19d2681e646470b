package org.zealousladder.server.exchange.records.workbook;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What students answered elsewhere, as a table. */
class ResultsReportTest {
    @TempDir
    private Path folder;

    private Path file(String text) throws IOException {
        return Files.writeString(folder.resolve("results.xml"), text);
    }

    private List<String> table(String text) throws Exception {
        Path out = folder.resolve("table.csv");
        ResultsReport.write(file(text), out);
        return Files.readAllLines(out);
    }

    @Test
    void itIsKnownByItsRoot() throws IOException {
        assertTrue(ResultsReport.looksLikeOne(file("\uFEFF<?xml version='1.0'?>\n<assessmentResult/>")));
        assertFalse(ResultsReport.looksLikeOne(file("<html><p>assess</p></html>")));
        assertFalse(ResultsReport.looksLikeOne(file("student,item\nassessmentResult,1\n")));
    }

    @Test
    void aResultIsARowAndOneWithoutAScoreSaysNoPoints() throws Exception {
        assertEquals(List.of("student,item,date,points,possible,answer,seconds", "S1,i1,2026-03-02,2,3,a|b,61", "S1,i2,2026-03-02,,,,",
                "S2,i1,2026-03-03,0,,\"b, c\","), table("""
                        <all><assessmentResult xmlns="urn:q"><context sourcedId="S1"/>
                        <itemResult identifier="i1" datestamp="2026-03-02T10:00:00Z" sessionStatus="final">
                          <responseVariable identifier="R"><candidateResponse><value>a</value><value>b</value></candidateResponse></responseVariable>
                          <responseVariable identifier="numAttempts"><candidateResponse><value>4</value></candidateResponse></responseVariable>
                          <responseVariable identifier="duration"><candidateResponse><value>60.7</value></candidateResponse></responseVariable>
                          <outcomeVariable identifier="SCORE"><value>2</value></outcomeVariable>
                          <outcomeVariable identifier="MAXSCORE"><value>3</value></outcomeVariable></itemResult>
                        <itemResult identifier="i2" datestamp="2026-03-02" sessionStatus="pendingSubmission">
                          <responseVariable identifier="R"><candidateResponse><value>a</value></candidateResponse></responseVariable></itemResult></assessmentResult>
                        <assessmentResult xmlns="urn:q"><context sourcedId="S2"/><itemResult identifier="i1" datestamp="2026-03-03T09:00:00" sessionStatus="final">
                          <responseVariable identifier="R"><candidateResponse><value>b, c</value></candidateResponse></responseVariable>
                          <outcomeVariable identifier="SCORE"><value>0</value></outcomeVariable></itemResult>
                        <itemResult identifier="i2" datestamp="2026-03-03T09:00:00" sessionStatus="initial"/></assessmentResult></all>"""));
    }

    @Test
    void whatCannotBeReadIsSaid() {
        assertEquals("The results cannot be read: they are no well-formed XML, or have a document type, which is not read.",
                assertThrows(Workbook.BadWorkbookException.class, () -> table("<!DOCTYPE x><assessmentResult/>")).getMessage());
    }
}
