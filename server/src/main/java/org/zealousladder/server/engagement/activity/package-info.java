/** What students did, as programs and files tell it, and the days they were at school. */
@NullMarked
package org.zealousladder.server.engagement.activity;

import org.jspecify.annotations.NullMarked;
