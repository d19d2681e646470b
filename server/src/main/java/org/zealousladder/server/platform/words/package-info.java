/** Days, numbers and lists in words; cells and files that a spreadsheet can take. */
package org.zealousladder.server.platform.words;
