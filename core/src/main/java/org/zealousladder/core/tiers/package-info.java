/** A tier proposed from one or several measures by a stated rule, with how sure that is and why, in words. */
package org.zealousladder.core.tiers;
