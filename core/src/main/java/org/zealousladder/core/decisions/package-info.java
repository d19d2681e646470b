/** Proposal rules: from a phase of scores, its trend and its goal to a proposed next step with its reason. */
package org.zealousladder.core.decisions;
