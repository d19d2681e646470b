package org.zealousladder.server.contacts.contacts;

import java.time.LocalDate;

/** When home was last spoken to. */
public record HomeSpoken(int student, LocalDate last) {}
