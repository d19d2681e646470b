package org.zealousladder.server.school.roster;

/** A class of one year in one school. */
public record ClassRef(int id, String code, String name, int grade, int schoolId, String schoolName, int yearId) {}
