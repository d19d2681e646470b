package org.zealousladder.server.overview.prints;

import java.time.LocalDate;
import java.util.List;

/**
 * What is to be printed.
 *
 * @param whose as {@link org.zealousladder.server.school.roster.Whose} has it
 * @param second whether the fixed words are in the school's second language
 * @param codes whether names are hidden
 */
record PrintAsked(PrintKind kind, String whose, List<PrintSection> sections, boolean second, LocalDate asOf, boolean codes) {}
