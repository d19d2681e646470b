/** The receiving end for what other programs tell of students (xAPI 1.0.3; IEEE 9274.1.1, 2.0): statements are kept as they came, and known ones become minutes and actions. */
@NullMarked
package org.zealousladder.server.engagement.xapi;

import org.jspecify.annotations.NullMarked;
