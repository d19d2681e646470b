package org.zealousladder.server.school.roster;

/** A student as every view names one. With names hidden the page shows the code instead. */
public record StudentRef(int id, String code, String name, String initials, String className, int classId) {}
