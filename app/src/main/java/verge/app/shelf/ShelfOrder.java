package verge.app.shelf;

import java.util.Arrays;

/** Orders in which jobs stand on the shelf. */
enum ShelfOrder {
    WORKED("last worked in"), NAME("by name"), POINTS("most points"), SETTLE("most to settle");

    private final String words;

    ShelfOrder(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** The one of that name; that of the latest work for any other. */
    static ShelfOrder parse(String name) {
        return Arrays.stream(values()).filter(o -> o.name().equalsIgnoreCase(name)).findFirst().orElse(WORKED);
    }
}
