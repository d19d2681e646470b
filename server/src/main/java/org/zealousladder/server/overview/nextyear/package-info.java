/** The turn of the year: next year's classes, who goes where, windows and cut scores with new dates. */
package org.zealousladder.server.overview.nextyear;
