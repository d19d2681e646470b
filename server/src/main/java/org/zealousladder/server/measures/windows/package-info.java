/** Screening windows: when everybody is measured. */
package org.zealousladder.server.measures.windows;
