package verge.formats.fieldwork;

/** The forms in which drawings go to the office. */
public enum FieldworkForm {
    DXF("dxf", "image/vnd.dxf"),
    GEOJSON("geojson", "application/geo+json"),
    LANDXML("xml", "application/xml");

    private final String suffix;
    private final String mediaType;

    FieldworkForm(String suffix, String mediaType) {
        this.suffix = suffix;
        this.mediaType = mediaType;
    }

    public String suffix() {
        return suffix;
    }

    public String mediaType() {
        return mediaType;
    }
}
