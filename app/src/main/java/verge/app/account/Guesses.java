package verge.app.account;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Wrong passwords. From one address, and for one account from wherever, each makes the next wait longer; an address from which the account
 * was signed in before waits for its own mistakes alone, so that nobody locks the owner out by guessing.
 */
final class Guesses {
    /** Somebody may mistype so often. */
    private static final int FREE = 5;
    private static final int FREE_FOR_ALL = 20;
    private static final Duration LONGEST = Duration.ofMinutes(1);
    private static final Duration FORGOTTEN = Duration.ofMinutes(15);
    /** Of one's own slips nothing is told. */
    private static final int TOLD_FROM = 3;
    /** Whoever tries names by the million is not to fill the memory. */
    private static final int MOST_KEPT = 10_000;

    private final Clock clock;
    private final Map<String, Tried> tried = new LinkedHashMap<>() {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Tried> eldest) {
            return size() > MOST_KEPT;
        }
    };
    private final Map<String, Set<String>> known = new ConcurrentHashMap<>();

    Guesses(Clock clock) {
        this.clock = clock;
    }

    /** @param count of wrong ones, none farther than a while from the one before */
    private record Tried(int count, Instant last, String address) {
    }

    /** What is to be told at a sign-in. */
    record Told(int count, Instant last, String address) {
    }

    /** How long the next try has to wait; nought for now. */
    synchronized Duration wait(String account, String address) {
        Duration own = longer(wait(address, FREE_FOR_ALL), wait(both(account, address), FREE));
        boolean isKnown = known.getOrDefault(account, Set.of()).contains(address);
        return isKnown ? wait(both(account, address), FREE) : longer(own, wait(account(account), FREE_FOR_ALL));
    }

    private Duration wait(String key, int free) {
        Tried so = tried.get(key);
        if (so == null || so.count() < free || Duration.between(so.last(), clock.instant()).compareTo(FORGOTTEN) > 0) {
            return Duration.ZERO;
        }
        Duration pause = Duration.ofSeconds(1L << Math.min(6, so.count() - free));
        Duration left = Duration.between(clock.instant(), so.last().plus(pause.compareTo(LONGEST) > 0 ? LONGEST : pause));
        return left.isNegative() ? Duration.ZERO : left;
    }

    private static Duration longer(Duration one, Duration other) {
        return one.compareTo(other) > 0 ? one : other;
    }

    private static String both(String account, String address) {
        return "both " + address + " " + account;
    }

    private static String account(String account) {
        return "account " + account;
    }

    synchronized void failed(String account, String address) {
        Instant now = clock.instant();
        for (String key : new String[] {address, both(account, address), account(account)}) {
            Tried before = tried.remove(key);
            boolean goesOn = before != null && Duration.between(before.last(), now).compareTo(FORGOTTEN) <= 0;
            tried.put(key, new Tried(goesOn ? before.count() + 1 : 1, now, address));
        }
    }

    /** @return what was tried since the last sign-in, if it was more than a slip */
    synchronized Optional<Told> succeeded(String account, String address) {
        known.computeIfAbsent(account, a -> ConcurrentHashMap.newKeySet()).add(address);
        tried.remove(both(account, address));
        return Optional.ofNullable(tried.remove(account(account))).filter(t -> t.count() >= TOLD_FROM)
                .map(t -> new Told(t.count(), t.last(), t.address()));
    }
}
