package verge.core.enclosure;

import java.util.List;

/** Something drawn over a photo. */
public sealed interface Stroke {
    /** Longest text that is written over a photo. */
    int LONGEST_WORDS = 80;

    /** A place on a photo as it is looked at: parts of its width from the left and of its height from the top. */
    record Spot(double right, double down) {
        public Spot {
            if (!(right >= 0 && right <= 1 && down >= 0 && down <= 1)) {
                throw new IllegalArgumentException("beside the photo: " + right + ", " + down);
            }
        }
    }

    /** An arrow, its head at the second place. */
    record Arrow(Spot from, Spot to) implements Stroke {
    }

    /** A circle or an ellipse that fills the box between two corners. */
    record Circle(Spot one, Spot other) implements Stroke {
    }

    /** A line by a free hand. */
    record Free(List<Spot> spots) implements Stroke {
        public Free {
            spots = List.copyOf(spots);
            if (spots.size() < 2) {
                throw new IllegalArgumentException("a line of " + spots.size());
            }
        }
    }

    /** Words that begin at a place. */
    record Words(Spot at, String text) implements Stroke {
        public Words {
            if (text.isBlank() || text.length() > LONGEST_WORDS) {
                throw new IllegalArgumentException("words: " + text);
            }
        }
    }
}
