/** Reading aloud: marks on the words of a passage, what they come to, and the level they speak for. */
package org.zealousladder.core.reading;
