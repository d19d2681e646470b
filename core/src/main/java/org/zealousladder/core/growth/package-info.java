/** Growth of one series: least squares with moderated variance, Theil-Sen, and the marking of outliers. */
package org.zealousladder.core.growth;
