package verge.formats.fieldwork;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Locale;

/** Pairs of group code and value, and the handles that tell everything in the file apart. */
final class DxfSheet {
    private final Appendable out;
    /** Those below are of the fixed tables and blocks. */
    private int handles = 0x100;

    DxfSheet(Appendable out) {
        this.out = out;
    }

    DxfSheet put(int group, String value) {
        try {
            out.append(String.format(Locale.ROOT, "%3d", group)).append("\r\n").append(value).append("\r\n");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
        return this;
    }

    DxfSheet put(int group, int value) {
        return put(group, Integer.toString(value));
    }

    DxfSheet put(int group, double value) {
        return put(group, PlainNumber.of(value));
    }

    /** A place: east under the group, north under the group ten higher, height twenty higher. */
    DxfSheet place(int group, double east, double north, double height) {
        return put(group, east).put(group + 10, north).put(group + 20, height);
    }

    String nextHandle() {
        return Integer.toHexString(handles++).toUpperCase(Locale.ROOT);
    }

    /** Begins an entity. @param owner handle of the block that it stands in */
    DxfSheet entity(String type, String owner, String layer, String subclass) {
        return put(0, type).put(5, nextHandle()).put(330, owner).put(100, "AcDbEntity").put(8, layer).put(100, subclass);
    }

    /** Begins a table of records. */
    DxfSheet table(String name, String handle, int records) {
        return put(0, "TABLE").put(2, name).put(5, handle).put(330, "0").put(100, "AcDbSymbolTable").put(70, records);
    }

    /** Begins a record of a table. */
    DxfSheet record(String type, String handle, String table, String subclass, String name) {
        return put(0, type).put(type.equals("DIMSTYLE") ? 105 : 5, handle).put(330, table).put(100, "AcDbSymbolTableRecord")
                .put(100, subclass).put(2, name);
    }

    DxfSheet endTable() {
        return put(0, "ENDTAB");
    }

    DxfSheet section(String name) {
        return put(0, "SECTION").put(2, name);
    }

    DxfSheet endSection() {
        return put(0, "ENDSEC");
    }
}
