package verge.app.journal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/**
 * How a value is written in journals, for good: the names and the order of its fields are the format's own and not those of the core's
 * records, which may be called otherwise tomorrow. What was written once is never written otherwise under the same version; a wire that a
 * version has used is not changed, another is made beside it.
 *
 * @param write gives the JSON of a value
 * @param read gives the value back, or throws IllegalArgumentException for JSON that is none
 */
public record Wire<V>(Function<V, JsonNode> write, Function<JsonNode, V> read) {
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    /** Java's shortest decimal of a double reads back to the same bits. */
    public static final Wire<Double> NUMBER = new Wire<>(NODES::numberNode,
            node -> required(node, node.isNumber(), "a number").doubleValue());
    public static final Wire<Integer> COUNT = new Wire<>(NODES::numberNode,
            node -> required(node, isWhole(node) && node.canConvertToInt(), "a whole number").intValue());
    public static final Wire<Long> LONG = new Wire<>(NODES::numberNode,
            node -> required(node, isWhole(node) && node.canConvertToLong(), "a whole number").longValue());
    public static final Wire<Boolean> FLAG = new Wire<>(NODES::booleanNode,
            node -> required(node, node.isBoolean(), "true or false").booleanValue());
    public static final Wire<String> TEXT = new Wire<>(NODES::stringNode, node -> required(node, node.isString(), "a text").stringValue());
    public static final Wire<UUID> ID = TEXT.as(UUID::fromString, UUID::toString);

    private static boolean isWhole(JsonNode node) {
        return node.isNumber() && node.doubleValue() == Math.rint(node.doubleValue());
    }

    private static JsonNode required(JsonNode node, boolean fits, String what) {
        if (!fits) {
            throw new IllegalArgumentException(node + " is not " + what);
        }
        return node;
    }

    /** Written as another value that it is made of. */
    public <T> Wire<T> as(Function<V, T> make, Function<T, V> of) {
        return new Wire<>(value -> write.apply(of.apply(value)), node -> make.apply(read.apply(node)));
    }

    /** One of several, by the name that it has in journals ({@code choices.properties}). */
    public static <E extends Enum<E>> Wire<E> choice(Class<E> kind) {
        Map<String, E> named = ChoiceNames.of(kind);
        return TEXT.as(text -> Optional.ofNullable(named.get(text))
                .orElseThrow(() -> new IllegalArgumentException(text + " is no " + kind.getSimpleName())), ChoiceNames::of);
    }

    /** Null where there is none. */
    public Wire<Optional<V>> maybe() {
        return new Wire<>(value -> value.map(write).orElseGet(NODES::nullNode),
                node -> node.isNull() ? Optional.empty() : Optional.of(read.apply(node)));
    }

    public Wire<List<V>> list() {
        return new Wire<>(values -> {
            ArrayNode all = NODES.arrayNode();
            values.forEach(value -> all.add(write.apply(value)));
            return all;
        }, node -> required(node, node.isArray(), "a list").valueStream().map(read).toList());
    }

    /** Values by names that somebody gave, in the order of these. */
    public Wire<Map<String, V>> byName() {
        return new Wire<>(values -> {
            ObjectNode all = NODES.objectNode();
            new TreeMap<>(values).forEach((name, value) -> all.set(name, write.apply(value)));
            return all;
        }, node -> required(node, node.isObject(), "an object").propertyStream()
                .collect(Collectors.toMap(Map.Entry::getKey, p -> read.apply(p.getValue()))));
    }

    /** A field of an object. */
    public static final class Field<V, T> {
        private final String name;
        private final Wire<T> wire;
        private final Function<V, T> of;

        private Field(String name, Wire<T> wire, Function<V, T> of) {
            this.name = name;
            this.wire = wire;
            this.of = of;
        }

        private void write(ObjectNode into, V value) {
            into.set(name, wire.write.apply(of.apply(value)));
        }
    }

    /** Collects the fields of an object in their order. */
    public static final class Fields<V> {
        private final List<Field<V, ?>> all = new ArrayList<>();

        public <T> Field<V, T> field(String name, Wire<T> wire, Function<V, T> of) {
            Field<V, T> field = new Field<>(name, wire, of);
            all.add(field);
            return field;
        }

        /** A field that is only read: of a version that is not written any more. */
        public <T> Field<V, T> field(String name, Wire<T> wire) {
            return field(name, wire, value -> {
                throw new IllegalStateException(name + " is not written any more");
            });
        }
    }

    /** An object that was read. */
    public record Row(JsonNode object) {
        /** @throws IllegalArgumentException if it lacks the field, unless there may be none, or has something else there */
        public <T> T get(Field<?, T> field) {
            JsonNode node = object.get(field.name);
            try {
                return field.wire.read.apply(node == null ? NODES.nullNode() : node);
            } catch (IllegalArgumentException unfit) {
                throw new IllegalArgumentException("'" + field.name + "': " + (node == null ? "is not there" : unfit.getMessage()), unfit);
            }
        }
    }

    /** An object with fields. @param described names the fields, and gives what makes the value of them */
    public static <V> Wire<V> object(Function<Fields<V>, Function<Row, V>> described) {
        Fields<V> fields = new Fields<>();
        Function<Row, V> make = described.apply(fields);
        return new Wire<>(value -> {
            ObjectNode object = NODES.objectNode();
            fields.all.forEach(field -> field.write(object, value));
            return object;
        }, node -> make.apply(new Row(required(node, node.isObject(), "an object"))));
    }

    /** One of several kinds, told apart by the field 'kind'. */
    @SafeVarargs
    public static <V> Wire<V> oneOf(Kind<? extends V>... kinds) {
        return new Wire<>(value -> Arrays.stream(kinds).filter(k -> k.type.isInstance(value)).findFirst().orElseThrow().tagged(value),
                node -> {
            String name = TEXT.read.apply(required(node, node.isObject() && node.has("kind"), "of any kind").get("kind"));
            return Arrays.stream(kinds).filter(k -> k.name.equals(name)).findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("no kind '" + name + "'")).wire.read.apply(node);
        });
    }

    /** One kind of several. */
    public record Kind<V>(String name, Class<V> type, Wire<V> wire) {
        private JsonNode tagged(Object value) {
            ObjectNode object = NODES.objectNode();
            object.put("kind", name);
            object.setAll((ObjectNode) wire.write.apply(type.cast(value)));
            return object;
        }
    }
}
