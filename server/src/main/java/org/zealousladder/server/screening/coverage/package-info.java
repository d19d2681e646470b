/** Coverage of a screening window: who is tested, who is not and why, and when those who missed it are to be tested. */
package org.zealousladder.server.screening.coverage;
