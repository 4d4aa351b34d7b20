package verge.app.day;

import org.openqa.selenium.By;

/** How somebody does things who has only this way of doing them. */
interface Hand {
    /** Replaces what stands in a field. */
    void fill(String id, String text);

    void press(By what);

    /** Opens a phase of the work. */
    void phase(String title);

    /** The one big action of the view. */
    void primary();
}
