package verge.formats.dxf;

import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.nio.charset.UnsupportedCharsetException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import verge.core.drawing.FileUnit;
import verge.core.drawing.Layer;
import verge.core.problem.SurveyException;
import verge.core.units.PlanAxes;
import verge.formats.reading.Declared;
import verge.formats.reading.Figures;
import verge.formats.reading.FileKind;
import verge.formats.reading.Gatherer;
import verge.formats.reading.ReadFile;
import verge.formats.reading.Report;
import verge.formats.reading.Watch;
import verge.formats.text.BoundedLines;
import verge.formats.text.TextEncoding;

/**
 * Reads drawings in the open exchange format DXF as plain text, of any of its versions from R12 to 2018: lines, light and old
 * polylines with arcs, arcs, circles, ellipses, splines, points, texts, block references, faces, layers and their colours, the unit.
 *
 * <p>Coordinates are taken as x to the east and y to the north. What it does not read is counted and told.
 */
public final class DxfReader {
    private static final int MOST_NUMBERS = 7_500_000;
    private static final int MOST_BLOCKS = 20_000;
    private static final int HEAD_LINES = 400;

    private final Groups groups;
    private final Gatherer out;
    private final Map<String, Block> blocks = new HashMap<>();
    /** As the header has it; 0, as where it is missing, says nothing. */
    private double unitCode;
    private final Drafter drafter;
    private final Set<String> layers = new HashSet<>();

    private DxfReader(Groups groups, Gatherer out) {
        this.groups = groups;
        this.out = out;
        this.drafter = new Drafter(out, blocks);
    }

    /** @throws SurveyException FILE_DAMAGED, FILE_TOO_MUCH, FILE_NOTHING_READ or READING_STOPPED */
    public static ReadFile read(Path file, Watch watch) throws IOException {
        TextEncoding encoding = TextEncoding.of(file);
        encoding = encoding.assumed() ? encoding.orElse(codePage(file)) : encoding;
        try (BoundedLines lines = new BoundedLines(encoding.open(watch.open(file)))) {
            Gatherer out = new Gatherer(watch);
            DxfReader reader = new DxfReader(new Groups(lines, watch), out);
            reader.readSections();
            return out.result(FileKind.DXF, reader.declared());
        }
    }

    /** The one-byte code page that older files name in their header. */
    private static Charset codePage(Path file) throws IOException {
        try (BoundedLines lines = new BoundedLines(new TextEncoding(StandardCharsets.ISO_8859_1, 0, 0, 0).open(file))) {
            String line = lines.next();
            for (int i = 0; i < HEAD_LINES && line != null; i++) {
                if (line.strip().endsWith("CODEPAGE")) {
                    lines.next();
                    return Charset.forName(lines.next().strip().toLowerCase(Locale.ROOT).replace("ansi_", "windows-"));
                }
                line = lines.next();
            }
        } catch (BoundedLines.LineTooLong | IllegalCharsetNameException | UnsupportedCharsetException | NullPointerException unknown) {
            return StandardCharsets.ISO_8859_1;
        }
        return StandardCharsets.ISO_8859_1;
    }

    private void readSections() throws IOException {
        while (groups.next()) {
            if (groups.is(0, "SECTION") && groups.next()) {
                switch (groups.value()) {
                    case "HEADER" -> readHeader();
                    case "TABLES" -> readTables();
                    case "BLOCKS" -> readBlocks();
                    case "ENTITIES" -> readEntities();
                    default -> { }   // classes, objects, thumbnails: nothing to see on a plan
                }
            }
        }
        drafter.finish();
    }

    private void readHeader() throws IOException {
        String variable = "";
        while (groups.next() && !groups.is(0, "ENDSEC")) {
            if (groups.code() == 9) {
                variable = groups.value();
            } else if (variable.equals("$INSUNITS")) {
                unitCode = Figures.one(groups.value());
            }
        }
    }

    private Declared declared() {
        return new Declared(Optional.empty(), unit(), PlanAxes.Order.EAST_NORTH, false);
    }

    private Optional<FileUnit> unit() {
        return switch ((int) unitCode) {
            case 1 -> Optional.of(FileUnit.INCH);
            case 2 -> Optional.of(FileUnit.INTERNATIONAL_FOOT);
            case 4 -> Optional.of(FileUnit.MILLIMETRE);
            case 5 -> Optional.of(FileUnit.CENTIMETRE);
            case 6 -> Optional.of(FileUnit.METRE);
            case 21 -> Optional.of(FileUnit.US_SURVEY_FOOT);
            default -> Optional.empty();
        };
    }

    private void readTables() throws IOException {
        while (groups.next() && !groups.is(0, "ENDSEC")) {
            if (groups.is(0, "LAYER")) {
                Entity layer = entity();
                if (!layers.add(layer.text(2).toUpperCase(Locale.ROOT))) {
                    out.leaveOut("LAYER", Report.Why.ID_TWICE, layer.where() + " \u2018" + layer.text(2) + "\u2019");
                    continue;
                }
                boolean shown = !layer.flag(70, 1) && layer.number(62, 1) >= 0;   // neither frozen nor, by a negative colour, off
                out.layer(new Layer(layer.text(2), Colours.of(layer), shown));
            }
        }
    }

    private void readBlocks() throws IOException {
        Block open = null;
        while (groups.next() && !groups.is(0, "ENDSEC")) {
            if (groups.code() != 0) {
                continue;
            }
            if (groups.value().equals("BLOCK")) {
                open = new Block(entity());
                blocks.put(open.name().toUpperCase(Locale.ROOT), open);
                out.limit("blocks", blocks.size(), MOST_BLOCKS);
            } else if (groups.value().equals("ENDBLK")) {
                entity();
                open = null;
            } else {
                Block.Item item = item();
                if (open != null) {
                    open.add(item);
                }
            }
        }
    }

    private void readEntities() throws IOException {
        while (groups.next() && !groups.is(0, "ENDSEC")) {
            if (groups.code() == 0) {
                drafter.draw(item());
            }
        }
    }

    private Entity entity() throws IOException {
        return Entity.read(groups, MOST_NUMBERS, () -> out.limit("figures of one thing", MOST_NUMBERS + 1L, MOST_NUMBERS));
    }

    private Block.Item item() throws IOException {
        Entity entity = entity();
        return switch (entity.type()) {
            case "POLYLINE" -> new Block.Item.Row(Polyline.read(entity, groups, out));
            case "INSERT" -> new Block.Item.Reference(entity, entity.number(66, 0) == 1 ? attributes() : List.of());
            default -> new Block.Item.Single(entity);
        };
    }

    private List<Entity> attributes() throws IOException {
        List<Entity> found = new ArrayList<>();
        while (groups.next() && groups.is(0, "ATTRIB")) {
            found.add(entity());
            out.limit("attributes of one block reference", found.size(), 1000);
        }
        if (groups.is(0, "SEQEND")) {
            entity();
        } else {
            groups.hold();
        }
        return found;
    }
}
