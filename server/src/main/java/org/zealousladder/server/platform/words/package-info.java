/** Days, numbers and lists in words; cells that a spreadsheet can take. */
package org.zealousladder.server.platform.words;
