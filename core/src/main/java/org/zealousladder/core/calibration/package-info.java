/** Whether what is stated comes true: made-up worlds whose truth is known, and the counting of what was said against what came. */
@org.jspecify.annotations.NullMarked
package org.zealousladder.core.calibration;
