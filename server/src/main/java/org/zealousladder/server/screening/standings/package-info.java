/** Where students stand on ladders, window by window: what the ladder, desk, coverage, tiers, table and report views rest on. */
package org.zealousladder.server.screening.standings;
