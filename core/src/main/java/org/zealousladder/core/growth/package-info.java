/** Growth of one series: least squares with steadied variance, Theil-Sen, and the marking of outliers. */
package org.zealousladder.core.growth;
