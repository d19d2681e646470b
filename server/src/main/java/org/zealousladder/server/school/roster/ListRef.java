package org.zealousladder.server.school.roster;

/** A kept list that can be looked at. @param living whether it is brought up to date by a criterion */
public record ListRef(int id, String name, boolean living) {}
