package org.zealousladder.core.growth;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.apache.commons.statistics.distribution.TDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StudentTTest {
    @ParameterizedTest
    @CsvSource({"1,12.7062", "2,4.3027", "3,3.1824", "10,2.2281", "30,2.0423", "5000,1.9604"})
    void quantilesAgreeWithPrintedTables(int df, double t) {
        assertEquals(t, StudentT.quantile975(df), 1e-4);
        assertEquals(0.975, StudentT.cumulative(t, df), 1e-4);
    }

    @Test
    void theSeriesAgreesWithTheGeneralDistribution() {
        for (int df = 1; df <= 260; df++) {
            for (double t = -30; t <= 30; t += 0.37) {
                assertEquals(TDistribution.of(df).cumulativeProbability(t), StudentT.cumulative(t, df), 2e-13);
            }
        }
    }

    @Test
    void theTailsEndAtNoughtAndOne() {
        assertEquals(0, StudentT.cumulative(Double.NEGATIVE_INFINITY, 4));
        assertEquals(1, StudentT.cumulative(Double.POSITIVE_INFINITY, 5));
        assertEquals(0.5, StudentT.cumulative(0, 7), 1e-15);
    }
}
