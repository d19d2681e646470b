/** {@code ladder fit}: the computation alone, from CSV to table, CSV or JSON, for people who script. */
package org.zealousladder.cli.fit;
