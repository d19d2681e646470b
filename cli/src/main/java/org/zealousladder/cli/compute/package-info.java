/** {@code ladder compute}: single computations, from CSV to JSON, with no server and no database. */
package org.zealousladder.cli.compute;
