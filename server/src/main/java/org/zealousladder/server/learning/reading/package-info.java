/** Reading aloud: passages, readings with every mark and its time, levels, and what to teach next. */
package org.zealousladder.server.learning.reading;
