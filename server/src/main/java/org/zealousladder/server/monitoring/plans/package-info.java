/** Plans: concerns by area, what is done about them by whom and how often, sessions held, changes, and how a plan ended. */
package org.zealousladder.server.monitoring.plans;
