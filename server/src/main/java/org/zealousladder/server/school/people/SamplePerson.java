package org.zealousladder.server.school.people;

/** A person whom the demo may be tried as. {@code about} says what they see: classes, a school, everything. */
public record SamplePerson(String login, String name, PersonRole role, String about) {}
