/** Growth of one series (least squares, Theil-Sen) and of many together (pooled, steady), and the marking of outliers. */
package org.zealousladder.core.growth;
