/** Measurements that print ratios and latencies against the budgets; nothing here passes or fails. */
package org.zealousladder.bench;
