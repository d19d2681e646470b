package org.zealousladder.server.monitoring.trends;

import static java.util.Objects.requireNonNull;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.ByteBuffer;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.zealousladder.core.ScoreSeries;
import org.zealousladder.core.growth.SteadyGrowth;
import org.zealousladder.core.growth.SteadyPopulation;
import org.zealousladder.core.growth.Trend;

/**
 * Pools that were fitted, by what they were fitted to: a fit takes some hundredths of a second, and a grade's scores change on a few days a week. Whoever's scores
 * they are, the same scores give the same pool, so nothing has to be forgotten when one is corrected.
 */
@Component
class PoolFits {
    /** So many numbers in all, eight bytes each: an eighth of the memory there is. */
    private static final long NUMBERS = Runtime.getRuntime().maxMemory() / 64;

    private final Cache<ByteBuffer, Optional<SteadyPopulation>> fits = Caffeine.newBuilder().maximumWeight(NUMBERS)
            .weigher((ByteBuffer key, Optional<SteadyPopulation> fit) -> 10 + fit.map(SteadyPopulation::size).orElse(1)).build();

    /**
     * What is pooled.
     *
     * @param sem the measure's standard error of measurement; 0: none is stated
     * @param bounds its least and its most score
     */
    record Pooled(double sem, Trend.Bounds bounds, List<ScoreSeries> series) {}

    /** By the same keys; where nothing can be fitted there is none. */
    <K> Map<K, SteadyPopulation> of(Map<K, Pooled> pools) {
        Map<K, ByteBuffer> keys = new HashMap<>();
        pools.forEach((k, pool) -> keys.put(k, key(pool)));
        Map<ByteBuffer, Pooled> wanting = new HashMap<>();
        pools.forEach((k, pool) -> wanting.put(requireNonNull(keys.get(k)), pool));
        Map<ByteBuffer, Optional<SteadyPopulation>> known = new HashMap<>(fits.getAllPresent(wanting.keySet()));
        wanting.keySet().removeAll(known.keySet());
        // A district's pools after a start are a minute's work: all processors share it.
        known.putAll(wanting.entrySet().parallelStream().collect(Collectors.toMap(Map.Entry::getKey, e -> fit(e.getValue()))));
        wanting.keySet().forEach(key -> fits.put(key, requireNonNull(known.get(key))));
        Map<K, SteadyPopulation> found = new HashMap<>();
        keys.forEach((k, key) -> requireNonNull(known.get(key)).ifPresent(p -> found.put(k, p)));
        return found;
    }

    /** How many are kept. */
    long size() {
        return fits.estimatedSize();
    }

    private static Optional<SteadyPopulation> fit(Pooled pool) {
        SteadyGrowth growth = new SteadyGrowth(pool.sem(), pool.bounds());
        pool.series().forEach(growth::add);
        return growth.fit();
    }

    /** Of all that the fit depends on. */
    private static ByteBuffer key(Pooled pool) {
        int numbers = 3 + pool.series().stream().mapToInt(s -> 1 + 3 * s.size()).sum();
        ByteBuffer key = ByteBuffer.allocate(numbers * Double.BYTES);
        key.putDouble(pool.sem()).putDouble(pool.bounds().low()).putDouble(pool.bounds().high());
        for (ScoreSeries s : pool.series()) {
            key.putDouble(s.size());
            for (int i = 0; i < s.size(); i++) {
                key.putDouble(s.week(i)).putDouble(s.score(i)).putDouble(s.form(i));
            }
        }
        return ByteBuffer.wrap(sha256(key.array()));
    }

    private static byte[] sha256(byte[] of) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(of);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
