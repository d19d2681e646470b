/** Workbooks of spreadsheets (ECMA-376) on their way in: looked at for harm, then one sheet of them as a plain table. */
@NullMarked
package org.zealousladder.server.exchange.records.workbook;

import org.jspecify.annotations.NullMarked;
