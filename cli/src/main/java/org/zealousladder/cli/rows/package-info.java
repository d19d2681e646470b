/** Reading a file of a command's row by row, with every bad cell named. */
package org.zealousladder.cli.rows;
