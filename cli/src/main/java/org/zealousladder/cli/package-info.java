/** The command {@code ladder}: what is more than process handling. */
package org.zealousladder.cli;
