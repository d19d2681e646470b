package org.zealousladder.server.school.roster;

/**
 * A caseload that can be looked at.
 *
 * @param name as views name it
 * @param students in it today, of those whom the viewer may see
 * @param own whether it is the viewer's
 */
public record CaseloadRef(int personId, String name, int students, boolean own) {}
