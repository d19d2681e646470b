package org.zealousladder.server.learning.packages;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.w3c.dom.Element;
import org.xml.sax.SAXException;
import org.zealousladder.server.learning.items.Item.ItemKey;
import org.zealousladder.server.learning.items.ItemForm;
import org.zealousladder.server.platform.files.SafeXml;

/** One item of a package: what of it can be asked here, and the sentence for what cannot. */
class QtiItemTest {
    private static final String MATCH = "<qti-response-processing template='https://purl.imsglobal.org/spec/qti/v3p0/rptemplates/match_correct'/>";
    private static final String MAP = "<qti-response-processing template='http://example.org/map_response.xml'/>";
    private static final String CHOICES = "<qti-choice-interaction response-identifier='R'><qti-simple-choice identifier='x'>X</qti-simple-choice>"
            + "<qti-simple-choice identifier='y'>Y</qti-simple-choice><qti-simple-choice identifier='z'>Z</qti-simple-choice></qti-choice-interaction>";

    private static Element xml(String text) throws IOException, SAXException {
        return SafeXml.read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8))).getDocumentElement();
    }

    private static String item(String declaration, String body, String rest) {
        return "<qti-assessment-item xmlns='http://www.imsglobal.org/xsd/imsqtiasi_v3p0' identifier='i' title='Title' adaptive='false'>" + declaration
                + "<qti-item-body>" + body + "</qti-item-body>" + rest + "</qti-assessment-item>";
    }

    private static String declared(String cardinality, String base, String within) {
        return "<qti-response-declaration identifier='R' cardinality='" + cardinality + "' base-type='" + base + "'>" + within + "</qti-response-declaration>";
    }

    private static String right(String... values) {
        return "<qti-correct-response><qti-value>" + String.join("</qti-value><qti-value>", values) + "</qti-value></qti-correct-response>";
    }

    private static QtiItem.Read read(String text) throws Exception {
        return QtiItem.read(xml(text), 1, List.of(7), shown -> shown.place().endsWith(".png") ? 5 : null);
    }

    private static String why(String text) {
        return assertThrows(QtiItem.Unsupported.class, () -> read(text)).getMessage();
    }

    @Test
    void anOrderIsTheOneThatIsDeclared() throws Exception {
        ItemForm form = read(item(declared("ordered", "identifier", right("z", "x", "y")), CHOICES.replace("choice-interaction", "order-interaction"), MATCH))
                .form().ready();
        assertEquals("order", form.kind());
        assertEquals(List.of(new ItemKey("c|a|b", 1, null)), form.keys());
        assertEquals(List.of(7), form.skills());
    }

    @Test
    void pointsOfSeveralChoicesAreThoseOfTheTableWithinItsBounds() throws Exception {
        QtiItem.Read read = read(item(declared("multiple", "identifier", """
                <qti-mapping lower-bound="0" upper-bound="2" default-value="-1"><qti-map-entry map-key="x" mapped-value="1"/>
                <qti-map-entry map-key="y" mapped-value="1"/><qti-map-entry map-key="z" mapped-value="-2"/></qti-mapping>"""), CHOICES, MAP));
        ItemForm form = read.form().ready();
        assertEquals(2, form.possible());
        assertEquals(Map.of("a", 0.5, "b", 0.5, "c", -1.0), form.body().worth());
        assertEquals(-0.5, form.body().other());
        assertEquals(List.of(new ItemKey("a|b", 1, null)), form.keys());
        assertEquals(List.of(), read.notices());
    }

    @Test
    void whatIsLeftOutIsSaid() throws Exception {
        QtiItem.Read read = read(item(declared("single", "string", """
                <qti-mapping lower-bound="-1" default-value="-1"><qti-map-entry map-key="Flow" mapped-value="1" case-sensitive="true"/></qti-mapping>"""),
                "<p>Ebb and <qti-text-entry-interaction response-identifier='R'/></p>", MAP + "<qti-modal-feedback/>"));
        assertEquals(List.of("Large and small letters make no difference here; in the package they do.",
                "An answer earns nothing at the least; in the package it can earn less than nothing.", "What it says after an answer is left out."),
                read.notices());
        assertEquals(List.of(new ItemKey("flow", 1, null)), read.form().ready().keys());
    }

    @Test
    void aTextIsReadByAPersonAndANumberHasItsKey() throws Exception {
        ItemForm text = read(item(declared("single", "string", ""), "<p>Why?</p><qti-extended-text-interaction response-identifier='R'/>", "")).form().ready();
        assertEquals("written []", text.kind() + " " + text.keys());
        ItemForm number = read(item(declared("single", "float", right("2.5")), "<qti-text-entry-interaction response-identifier='R'/>", MATCH)).form().ready();
        assertEquals("number ____", number.kind() + " " + number.prompt());
    }

    @Test
    void aPictureStandsAboveAndInChoices() throws Exception {
        ItemForm form = read(item(declared("single", "identifier", right("x")),
                "<p><img src='a.png' alt='a'/>Which?</p>" + CHOICES.replace("X", "<img src='x.png' alt='x'/>"), MATCH)).form().ready();
        assertEquals(5, form.body().picture());
        assertEquals(5, form.body().options().get(0).picture());
        assertEquals("Its picture a.gif is not in the package, or is none that can be shown.",
                why(item(declared("single", "identifier", right("x")), "<img src='a.gif' alt='a'/>" + CHOICES, MATCH)));
        assertEquals("It has 2 pictures; one can be shown above the answers.",
                why(item(declared("single", "identifier", right("x")), "<img src='a.png'/><img src='b.png'/>" + CHOICES, MATCH)));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"qti-inline-choice-interaction | a word is chosen within a sentence", "qti-upload-interaction | a file is handed in",
            "qti-portable-custom-interaction | it needs a program of its maker's", "qti-gap-match-interaction | gaps in a text are filled by dragging"})
    void anotherWayOfAnsweringIsNamed(String way, String words) {
        assertEquals("It is answered in a way that is not had here: " + words + ".",
                why(item(declared("single", "identifier", right("x")), "<" + way + " response-identifier='R'/>", MATCH)));
    }

    @Test
    void whatCannotBeAskedIsSaidInASentence() {
        String one = declared("single", "identifier", right("x"));
        assertEquals("It asks 2 things at once.", why(item(one, CHOICES + CHOICES, MATCH)));
        assertEquals("It asks nothing.", why(item(one, "<p>Read.</p>", MATCH)));
        assertEquals("It has formulas in it.", why(item(one, "<math/>" + CHOICES, MATCH)));
        assertEquals("It changes with what is answered (adaptive).", why(item(one, CHOICES, MATCH).replace("adaptive='false'", "adaptive='true'")));
        assertEquals("It is made anew for each student (by a template).", why(item(one + "<qti-template-declaration/>", CHOICES, MATCH)));
        assertEquals("It belongs to a text that stands in a file of its own.", why(item(one + "<qti-assessment-stimulus-ref/>", CHOICES, MATCH)));
        assertEquals("It does not say how it is scored.", why(item(one, CHOICES, "")));
        assertEquals("It is scored in a way that is not known here (map_response_point).",
                why(item(one, CHOICES, MAP.replace("map_response", "map_response_point"))));
        assertEquals("It is scored by a table of points that it does not have.", why(item(one, CHOICES, MAP)));
        assertEquals("No answer to it earns anything.",
                why(item(declared("single", "identifier", "<qti-mapping default-value='0'><qti-map-entry map-key='x' mapped-value='0'/></qti-mapping>"),
                        CHOICES, MAP)));
        assertEquals("What is answered to it is not declared.", why(item(one.replace("'R'", "'OTHER'"), CHOICES, MATCH)));
        assertEquals("It is in QTI 2; only QTI 3.0 is read.", why("<assessmentItem xmlns='http://www.imsglobal.org/xsd/imsqti_v2p1'/>"));
        assertEquals("What is written into it is neither words nor a number (duration).",
                why(item(declared("single", "duration", right("x")), "<qti-text-entry-interaction response-identifier='R'/>", MATCH)));
    }
}
