package org.zealousladder.server.school.facts;

import org.jspecify.annotations.Nullable;

/**
 * Something that a school keeps of its students in words: support, the language at home, its own.
 *
 * @param schoolId null: every school's
 * @param sensitive seen by coordinators and administrators only
 * @param ended whether nobody is to be put into it any more; what was kept stays
 * @param students how many of those the viewer sees are in it today
 */
public record Grouping(int id, String code, String name, @Nullable Integer schoolId, boolean sensitive, boolean ended, int students) {}
