/** The Desk: what wants deciding, what is to be collected, and what is to be celebrated. */
package org.zealousladder.server.overview.desk;
