package org.zealousladder.server.learning.taking;

/** A student who has signed in by a card. */
record Taker(int student, int card, String name, String className) {}
