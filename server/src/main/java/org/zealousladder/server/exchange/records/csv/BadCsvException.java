package org.zealousladder.server.exchange.records.csv;

/** A file that cannot be read as CSV at all; the message is a plain sentence. */
public class BadCsvException extends Exception {
    public BadCsvException(String sentence) {
        super(sentence);
    }
}
