/** The score strip: this week's scores of one measure for a class or those monitored, entered by keyboard. */
package org.zealousladder.server.monitoring.strip;
