/** Plans: how much of what was planned was given. */
package org.zealousladder.core.plans;
