package verge.core.geodesy.system;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;

/** The latest of what takes a while to make and is asked for again and again: of a handful of jobs at work. */
final class Recent {
    private static final int MOST = 64;

    private Recent() {
    }

    static <K, V> Map<K, V> map() {
        return Collections.synchronizedMap(new LinkedHashMap<>(MOST, 0.75f, true) {
            private static final long serialVersionUID = 1L;

            @Override
            protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
                return size() > MOST;
            }
        });
    }
}
