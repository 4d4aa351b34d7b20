package verge.formats.reading;

import verge.core.drawing.Drawing;

/** A file as it was read: its drawing in its own coordinates, what it says of them, and what was not read. */
public record ReadFile(FileKind kind, Drawing drawing, Declared declared, Report report) {
}
