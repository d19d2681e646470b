package org.zealousladder.server.platform.files;

import java.util.List;

/**
 * Files that speak of each other and mean something only together: their rows stand beside each other before any of them is told apart into kinds.
 *
 * @param subjects the files it can have, each with its own {@link Subject#standing()}; those that are missing are empty
 * @param tell statements that tell what all of it means, in tables of their own that the subjects' parts select from
 * @param endings select of what would be ended because it is gone: {@code what}, in words, {@code ended}, {@code current}
 * @param notices selects of sentences about what is unusual, each of one column
 */
public record Bundle(List<Subject> subjects, List<String> tell, String endings, List<String> notices) {}
