/** Tiers: proposed by a stated rule, decided by the team, kept as dated records; and the closing of a screening window. */
package org.zealousladder.server.screening.tiers;
