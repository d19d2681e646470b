/**
 * The computation: growth, goals, decisions, bands and summaries. Plain Java without clock, files, database or
 * interface. Dates come in as arguments or as weeks from a stated origin; a result that cannot be computed is an
 * explicit case of its type, never NaN.
 */
package org.zealousladder.core;
