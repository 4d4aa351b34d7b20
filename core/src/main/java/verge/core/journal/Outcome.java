package verge.core.journal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** What an entry comes to: values under keys, each key once, in an order that is kept. Immutable; equal to another of the same bits. */
public final class Outcome {
    public static final Outcome NOTHING = new Outcome(new Object[0]);

    /** Key, value, key, value: a job has a hundred thousand of these. */
    private final Object[] pairs;

    private Outcome(Object[] pairs) {
        this.pairs = pairs;
    }

    public static <V> Outcome of(Key<V> key, V value) {
        return new Outcome(new Object[] {key, value});
    }

    /** The same with one thing more. */
    public <V> Outcome and(Key<V> key, V value) {
        Object[] more = Arrays.copyOf(pairs, pairs.length + 2);
        more[pairs.length] = key;
        more[pairs.length + 1] = value;
        return new Outcome(more);
    }

    /** This and all that another holds. */
    public Outcome and(Outcome other) {
        Object[] more = Arrays.copyOf(pairs, pairs.length + other.pairs.length);
        System.arraycopy(other.pairs, 0, more, pairs.length, other.pairs.length);
        return new Outcome(more);
    }

    /** Many at once, in the order of the map. */
    public static <V> Outcome of(Map<? extends Key<V>, V> values) {
        List<Object> pairs = new ArrayList<>(2 * values.size());
        values.forEach((key, value) -> {
            pairs.add(key);
            pairs.add(value);
        });
        return new Outcome(pairs.toArray());
    }

    int size() {
        return pairs.length / 2;
    }

    Key<?> key(int i) {
        return (Key<?>) pairs[2 * i];
    }

    Object value(int i) {
        return pairs[2 * i + 1];
    }

    /** The values under keys of a kind, in their order. */
    @SuppressWarnings("unchecked")
    public <V> Stream<V> values(Class<? extends Key<V>> kind) {
        return IntStream.range(0, size()).filter(i -> kind.isInstance(pairs[2 * i])).mapToObj(i -> (V) pairs[2 * i + 1]);
    }

    /** The keys under which it provides something for the whole job. */
    Stream<WholeKey<?>> wholeKeys() {
        return IntStream.range(0, size()).filter(i -> pairs[2 * i] instanceof WholeKey<?>).mapToObj(i -> (WholeKey<?>) pairs[2 * i]);
    }

    /** @throws IllegalStateException if a key is there twice: which value counted would hang on the order */
    void requireEachKeyOnce() {
        if (size() > 1) {
            Set<Object> keys = new HashSet<>(2 * size());
            for (int i = 0; i < size(); i++) {
                if (!keys.add(key(i))) {
                    throw new IllegalStateException(key(i) + " is given twice");
                }
            }
        }
    }

    Map<Key<?>, Object> byKey() {
        Map<Key<?>, Object> all = new HashMap<>(2 * size());
        IntStream.range(0, size()).forEach(i -> all.put(key(i), value(i)));
        return all;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Outcome o && Arrays.equals(pairs, o.pairs);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(pairs);
    }

    @Override
    public String toString() {
        return byKey().toString();
    }
}
