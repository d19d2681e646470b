/**
 * Changes of how scores are read: windows, measures, rules, sets and ladders of cut scores. Each is shown before it is made (who would stand elsewhere),
 * made with a reason, kept on record, and can be taken back.
 */
package org.zealousladder.server.screening.changes;
