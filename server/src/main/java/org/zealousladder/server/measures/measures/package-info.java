/** Measures: what is measured, in which unit and range, with what error, and how its trends are decided on. */
package org.zealousladder.server.measures.measures;
