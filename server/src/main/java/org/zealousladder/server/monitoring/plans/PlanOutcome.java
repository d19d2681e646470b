package org.zealousladder.server.monitoring.plans;

import org.zealousladder.core.Coded;

/** How a plan ended. */
public enum PlanOutcome implements Coded {
    MET,
    PARTLY,
    NOT_MET,
    STOPPED
}
