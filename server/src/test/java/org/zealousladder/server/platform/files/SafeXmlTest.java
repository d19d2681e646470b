package org.zealousladder.server.platform.files;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.w3c.dom.Element;
import org.xml.sax.SAXException;

/** XML of strangers does nothing but be read. */
class SafeXmlTest {
    private static Element read(String text) throws IOException, SAXException {
        return SafeXml.read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8))).getDocumentElement();
    }

    @Test
    void elementsAreKnownByTheirLocalNames() throws Exception {
        Element root = read("<a:r xmlns:a='urn:x'><a:b>  one\n two </a:b><c xmlns='urn:y'><a:b/></c></a:r>");
        assertEquals("one two", SafeXml.text(SafeXml.child(root, "b").orElseThrow()));
        assertEquals(1, SafeXml.children(root, "b").size());
        assertEquals(3, SafeXml.within(root).size());
        assertEquals(true, SafeXml.child(root, "d").isEmpty());
    }

    @Test
    void aDocumentTypeIsRefusedWithAllThatItWouldBring() {
        assertThrows(SAXException.class, () -> read("<!DOCTYPE r SYSTEM 'file:///etc/passwd'><r/>"));
        assertThrows(SAXException.class, () -> read("<!DOCTYPE r [<!ENTITY e SYSTEM 'file:///etc/passwd'>]><r>&e;</r>"));
        assertThrows(SAXException.class, () -> read("<!DOCTYPE r [<!ENTITY a 'aa'><!ENTITY b '&a;&a;'>]><r>&b;</r>"));
        assertThrows(SAXException.class, () -> read("<r>"));
        assertThrows(SAXException.class, () -> read(""));
    }
}
