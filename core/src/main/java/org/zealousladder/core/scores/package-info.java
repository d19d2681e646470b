/** What a valid score is, and which one is worth asking about. */
package org.zealousladder.core.scores;
