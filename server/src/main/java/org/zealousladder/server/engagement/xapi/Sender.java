package org.zealousladder.server.engagement.xapi;

/** A program that sends statements about a school's students. */
record Sender(int id, int schoolId, String name, String key) {}
