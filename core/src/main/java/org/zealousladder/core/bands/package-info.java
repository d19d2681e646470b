/** Bands and tiers: cut scores as a ladder, where a score stands on it and how sure that is. */
package org.zealousladder.core.bands;
