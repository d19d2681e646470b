/** Rosters and screening scores in the form of OneRoster 1.2. */
package org.zealousladder.server.exchange.oneroster;
