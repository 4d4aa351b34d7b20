package verge.app.search;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * Something that was found.
 *
 * @param title how it is called
 * @param detail what more is told of it, or empty
 * @param thing by what it is known when it is used: its kind and its name or id
 * @param href the page to open; empty for what is shown in the sketch
 * @param inFrame whether that page is a leaf of the notebook
 * @param show what the sketch needs to show it; empty for a page
 */
public record Hit(String title, String detail, String thing, String href, boolean inFrame, Map<String, String> show) {
    static final String SHOWN = "show";

    /** A leaf of the notebook. */
    static Hit leaf(String title, String detail, String thing, String href) {
        return new Hit(title, detail, thing, href, true, Map.of());
    }

    /** A page of its own. */
    static Hit page(String title, String detail, String thing, String href) {
        return new Hit(title, detail, thing, href, false, Map.of());
    }

    /** What the sketch needs, as fields of an address. */
    public String shown() {
        return show.entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(e -> e.getKey() + "=" + URLEncoder.encode(e.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
    }

    /** @param show with the kind of thing under {@link #SHOWN} */
    static Hit inSketch(String title, String detail, String thing, Map<String, String> show) {
        return new Hit(title, detail, thing, "", false, show);
    }
}
