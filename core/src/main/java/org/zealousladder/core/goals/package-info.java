/** Goals: the line from baseline to goal, the growth it needs, and the chance of meeting it. */
package org.zealousladder.core.goals;
