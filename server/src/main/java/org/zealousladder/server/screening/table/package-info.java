/** All screening scores of a year in one table: read beside last year's, and taken out as shown. */
package org.zealousladder.server.screening.table;
