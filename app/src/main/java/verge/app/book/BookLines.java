package verge.app.book;

import java.io.IOException;
import java.io.Reader;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.formats.text.BoundedLines;

/**
 * The field book as plain text, as docs/field-book-format.md describes it: one block an entry, one line a figure, each figure as JSON
 * writes it, so that nothing is lost either way.
 */
@Component
class BookLines {
    private static final String HEAD = WrittenBook.FORMAT + " " + WrittenBook.VERSION;
    private static final int LONGEST_LINE = 1_000_000;
    private static final int MOST_IN_A_LIST = 200_000;

    private final JsonMapper json;

    BookLines(JsonMapper json) {
        this.json = json;
    }

    String write(WrittenBook book) {
        StringBuilder text = new StringBuilder(HEAD).append('\n').append("job ").append(json.writeValueAsString(book.job())).append('\n');
        for (WrittenBook.Line e : book.entries()) {
            text.append("\nentry ").append(e.sequence()).append(' ').append(e.kind()).append('/').append(e.version()).append('\n');
            text.append("id ").append(e.id()).append("\nat ").append(e.at()).append('\n');
            text.append("person ").append(json.writeValueAsString(e.person())).append("\ndevice ")
                    .append(json.writeValueAsString(e.device())).append('\n');
            flatten(text, "", e.payload());
        }
        return text.append("\nend ").append(book.entries().size()).append('\n').toString();
    }

    private void flatten(StringBuilder text, String path, JsonNode node) {
        if (node.isObject() && !node.isEmpty()) {
            node.properties().forEach(p -> flatten(text, path + "." + key(p.getKey()), p.getValue()));
        } else if (node.isArray() && !node.isEmpty()) {
            for (int i = 0; i < node.size(); i++) {
                flatten(text, path + "[" + i + "]", node.get(i));
            }
        } else {
            text.append(path).append(" = ").append(json.writeValueAsString(node)).append('\n');
        }
    }

    /** Names with anything but letters and figures in them are written as JSON writes a text. */
    private String key(String name) {
        return name.matches("[A-Za-z0-9_]+") ? name : json.writeValueAsString(name);
    }

    /**
     * Reads line by line; of the whole nothing is kept here.
     *
     * @param entries is given one after the other
     * @return the job's name
     * @throws SurveyException BOOK_UNREADABLE with the line
     */
    String read(Reader text, Consumer<WrittenBook.Line> entries) throws IOException {
        BoundedLines lines = new BoundedLines(text, LONGEST_LINE);
        Reading reading = new Reading(entries);
        try {
            String first = lines.next();
            if (first == null || !first.strip().equals(HEAD)) {
                throw unreadable(1, "it does not begin with '" + HEAD + "'");
            }
            for (String line = lines.next(); line != null; line = lines.next()) {
                if (!line.isBlank()) {
                    reading.line((int) lines.number(), line.strip());
                }
            }
        } catch (BoundedLines.LineTooLong tooLong) {
            throw unreadable((int) tooLong.line(), "it is longer than any line of a field book");
        }
        if (!reading.ended) {
            throw unreadable((int) lines.number(), "it breaks off before its end");
        }
        return reading.job;
    }

    /** A book while its lines are being read. */
    private final class Reading {
        private final Consumer<WrittenBook.Line> entries;
        private String job = "";
        private Block block;
        private long count;
        private boolean ended;

        private Reading(Consumer<WrittenBook.Line> entries) {
            this.entries = entries;
        }

        private void line(int number, String line) {
            if (ended) {
                throw unreadable(number, "something stands after the end");
            }
            if (line.startsWith("job ") && block == null) {
                job = value(number, line.substring(4)).asString();
            } else if (line.startsWith("entry ")) {
                give();
                block = new Block(number, line.substring(6));
            } else if (line.startsWith("end ")) {
                give();
                block = null;
                ended = true;
                if (!line.substring(4).strip().equals(Long.toString(count))) {
                    throw unreadable(number, count + " entries were found, not " + line.substring(4).strip());
                }
            } else if (block == null) {
                throw unreadable(number, "no entry has begun");
            } else {
                block.line(number, line);
            }
        }

        private void give() {
            if (block != null) {
                entries.accept(block.made());
                count++;
            }
        }
    }

    private JsonNode value(int line, String text) {
        try {
            return json.readTree(text);
        } catch (JacksonException senseless) {
            throw unreadable(line, "'" + text.substring(0, Math.min(40, text.length())) + "' is no value");
        }
    }

    private static SurveyException unreadable(int line, String why) {
        return new SurveyException(Problem.BOOK_UNREADABLE, "line " + line, why);
    }

    /** An entry while its lines are being read. */
    private final class Block {
        private final int began;
        private final Map<String, String> head = new HashMap<>();
        private JsonNode payload = json.createObjectNode();

        private Block(int number, String title) {
            began = number;
            String[] parts = title.strip().split("[ /]");
            if (parts.length != 3) {
                throw unreadable(number, "an entry is headed 'entry NUMBER KIND/VERSION'");
            }
            head.put("sequence", parts[0]);
            head.put("kind", parts[1]);
            head.put("version", parts[2]);
        }

        private void line(int number, String line) {
            int equals = separator(line);
            if (line.startsWith(".") && equals > 0) {
                put(number, line.substring(0, equals), value(number, line.substring(equals + 3)));
            } else if (line.startsWith("id ") || line.startsWith("at ")) {
                head.put(line.substring(0, 2), line.substring(3).strip());
            } else if (line.startsWith("person ") || line.startsWith("device ")) {
                head.put(line.substring(0, 6), value(number, line.substring(7)).asString());
            } else if (line.startsWith("= ")) {
                payload = value(number, line.substring(line.indexOf('=') + 1).strip());
            } else {
                throw unreadable(number, "a line that is none");
            }
        }

        /** Where path and value part: the first ' = ' that is not within a quoted name. */
        private static int separator(String line) {
            boolean quoted = false;
            for (int i = 0; i < line.length(); i++) {
                char c = line.charAt(i);
                if (c == '\\' && quoted) {
                    i++;
                } else if (c == '"') {
                    quoted = !quoted;
                } else if (!quoted && line.startsWith(" = ", i)) {
                    return i;
                }
            }
            return -1;
        }

        /** Walks a path like .reading.zenith.radians or .points[3].name, making what is not there yet. */
        private void put(int number, String path, JsonNode value) {
            List<Object> steps = steps(number, path);
            JsonNode at = payload;
            for (int i = 0; i < steps.size(); i++) {
                JsonNode next = i + 1 == steps.size() ? value : steps.get(i + 1) instanceof Integer ? json.createArrayNode()
                        : json.createObjectNode();
                at = step(number, at, steps.get(i), next, i + 1 == steps.size());
            }
        }

        private JsonNode step(int number, JsonNode at, Object step, JsonNode next, boolean last) {
            if (step instanceof String name && at instanceof ObjectNode object) {
                if (last || !object.has(name)) {
                    object.set(name, next);
                }
                return object.get(name);
            } else if (step instanceof Integer index && at instanceof ArrayNode array) {
                if (index > array.size() || index >= MOST_IN_A_LIST) {
                    throw unreadable(number, "a list that jumps to " + index);
                }
                if (index == array.size()) {
                    array.add(next);
                }
                return array.get(index);
            }
            throw unreadable(number, "a path that does not fit the lines before it");
        }

        private List<Object> steps(int number, String path) {
            List<Object> steps = new ArrayList<>();
            int i = 0;
            while (i < path.length()) {
                if (path.startsWith(".\"", i)) {
                    int end = closing(number, path, i + 2);
                    steps.add(value(number, path.substring(i + 1, end + 1)).asString());
                    i = end + 1;
                } else if (path.charAt(i) == '.') {
                    int end = i + 1;
                    while (end < path.length() && path.charAt(end) != '.' && path.charAt(end) != '[') {
                        end++;
                    }
                    steps.add(path.substring(i + 1, end));
                    i = end;
                } else {
                    int end = path.indexOf(']', i);
                    if (path.charAt(i) != '[' || end < 0 || !path.substring(i + 1, end).matches("\\d{1,6}")) {
                        throw unreadable(number, "a path that is none");
                    }
                    steps.add(Integer.valueOf(path.substring(i + 1, end)));
                    i = end + 1;
                }
            }
            return steps;
        }

        private int closing(int number, String path, int from) {
            for (int i = from; i < path.length(); i++) {
                if (path.charAt(i) == '\\') {
                    i++;
                } else if (path.charAt(i) == '"') {
                    return i;
                }
            }
            throw unreadable(number, "a name without end");
        }

        private WrittenBook.Line made() {
            try {
                return new WrittenBook.Line(UUID.fromString(required("id")), Long.parseLong(required("sequence")),
                        OffsetDateTime.parse(required("at")), required("person"), required("device"),
                        required("kind"), Integer.parseInt(required("version")), payload);
            } catch (IllegalArgumentException | DateTimeParseException unfit) {
                throw unreadable(began, String.valueOf(unfit.getMessage()));
            }
        }

        private String required(String field) {
            if (!head.containsKey(field)) {
                throw unreadable(began, "an entry without its " + field);
            }
            return head.get(field);
        }
    }
}
