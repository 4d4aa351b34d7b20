package verge.formats.dxf;

import java.util.ArrayList;
import java.util.List;

/** A named part of a drawing that references bring to where it is wanted. */
final class Block {
    private final Entity head;
    private final List<Item> items = new ArrayList<>();

    Block(Entity head) {
        this.head = head;
    }

    /** What stands in a drawing or in a block: an entity, with whatever belongs to it. */
    sealed interface Item {
        record Single(Entity entity) implements Item {
        }

        record Row(Polyline line) implements Item {
        }

        /** A reference to a block with its attributes. */
        record Reference(Entity entity, List<Entity> attributes) implements Item {
        }
    }

    void add(Item item) {
        items.add(item);
    }

    List<Item> items() {
        return items;
    }

    String name() {
        return head.text(2);
    }

    Affine toOrigin() {
        double[] base = head.place(10);
        return Affine.shift(-zero(base[0]), -zero(base[1]), -zero(base[2]));
    }

    private static double zero(double missing) {
        return Double.isNaN(missing) ? 0 : missing;
    }
}
