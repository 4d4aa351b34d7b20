package verge.app.search;

import java.util.List;

/**
 * What came of looking for something.
 *
 * @param places that the typed figures mean, each as it is shown
 * @param range the points between two names, if that was typed
 * @param groups the likeliest first
 */
record Found(String typed, List<Hit> places, List<Hit> range, List<Group> groups) {
    public boolean isEmpty() {
        return places.isEmpty() && range.isEmpty() && groups.isEmpty();
    }
}
