package verge.formats.fieldwork;

import verge.core.coding.Codebook.Marker;

/** The codebook's markers as entities of a block, one unit across, about its origin. */
final class DxfMarkers {
    private static final double HALF = 0.5;

    private DxfMarkers() {
    }

    static void draw(DxfSheet sheet, String owner, Marker marker) {
        switch (marker) {
            case DOT -> circle(sheet, owner, HALF / 4);
            case RING -> circle(sheet, owner, HALF);
            case CROSS -> cross(sheet, owner, HALF);
            case SQUARE, POST -> square(sheet, owner, marker == Marker.POST ? HALF / 2 : HALF);
            case DIAMOND -> ring(sheet, owner, 0, HALF, HALF, 0, 0, -HALF, -HALF, 0);
            case RING_CROSS -> {
                circle(sheet, owner, 0.6 * HALF);
                cross(sheet, owner, HALF);
            }
            case TRIANGLE -> ring(sheet, owner, 0, -HALF, HALF, HALF, -HALF, HALF);
            case TREE -> {
                circle(sheet, owner, HALF);
                circle(sheet, owner, HALF / 4);
            }
            case COVER -> {
                square(sheet, owner, HALF);
                circle(sheet, owner, 0.6 * HALF);
            }
        }
    }

    private static void circle(DxfSheet sheet, String owner, double radius) {
        sheet.entity("CIRCLE", owner, "0", "AcDbCircle").place(10, 0, 0, 0).put(40, radius);
    }

    private static void cross(DxfSheet sheet, String owner, double half) {
        sheet.entity("LINE", owner, "0", "AcDbLine").place(10, -half, 0, 0).place(11, half, 0, 0);
        sheet.entity("LINE", owner, "0", "AcDbLine").place(10, 0, -half, 0).place(11, 0, half, 0);
    }

    private static void square(DxfSheet sheet, String owner, double half) {
        ring(sheet, owner, -half, -half, half, -half, half, half, -half, half);
    }

    private static void ring(DxfSheet sheet, String owner, double... eastNorth) {
        sheet.entity("LWPOLYLINE", owner, "0", "AcDbPolyline").put(90, eastNorth.length / 2).put(70, 1);
        for (int i = 0; i < eastNorth.length; i += 2) {
            sheet.put(10, eastNorth[i]).put(20, eastNorth[i + 1]);
        }
    }
}
