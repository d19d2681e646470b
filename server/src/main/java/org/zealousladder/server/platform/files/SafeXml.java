package org.zealousladder.server.platform.files;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/** XML of strangers: no document types, no entities, nothing fetched; elements are known by their local names. */
public final class SafeXml {
    private SafeXml() {}

    /** @throws SAXException for what is no well-formed document, or has a document type */
    public static Document read(InputStream in) throws IOException, SAXException {
        try {
            DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
            factory.setNamespaceAware(true);
            factory.setXIncludeAware(false);
            factory.setExpandEntityReferences(false);
            factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
            factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
            factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_DTD, "");
            factory.setAttribute(XMLConstants.ACCESS_EXTERNAL_SCHEMA, "");
            DocumentBuilder builder = factory.newDocumentBuilder();
            // It prints what it finds wrong otherwise.
            builder.setErrorHandler(new DefaultHandler());
            return builder.parse(new InputSource(in));
        } catch (ParserConfigurationException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The children that are elements. */
    public static List<Element> children(Node of) {
        List<Element> all = new ArrayList<>();
        for (Node n = of.getFirstChild(); n != null; n = n.getNextSibling()) {
            if (n instanceof Element e) {
                all.add(e);
            }
        }
        return all;
    }

    /** Those of a local name among the children. */
    public static List<Element> children(Node of, String name) {
        return children(of).stream().filter(e -> e.getLocalName().equals(name)).toList();
    }

    public static Optional<Element> child(Node of, String name) {
        return children(of, name).stream().findFirst();
    }

    /** Every element within, in the order of the document. */
    public static List<Element> within(Node of) {
        List<Element> all = new ArrayList<>();
        for (Element e : children(of)) {
            all.add(e);
            all.addAll(within(e));
        }
        return all;
    }

    /** Its text, with single spaces. */
    public static String text(Node of) {
        return of.getTextContent().strip().replaceAll("\\s+", " ");
    }
}
