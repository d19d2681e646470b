package org.zealousladder.server.school.people;

import org.zealousladder.server.platform.who.Viewer;

/** A person whom the demo may be tried as. {@code about} says what they see: classes, a school, everything. */
public record SamplePerson(String login, String name, Viewer.Role role, String about) {}
