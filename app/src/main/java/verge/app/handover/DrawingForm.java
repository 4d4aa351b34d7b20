package verge.app.handover;

import verge.formats.fieldwork.DxfWriter.Lines;
import verge.formats.fieldwork.FieldworkForm;

/**
 * How points and strings are to be drawn for the office, as chosen on the page; what was not chosen is null and takes the usual value.
 *
 * @param sagittaMillimetres how far chords may leave an arc
 * @param markerMetres how large markers are
 */
public record DrawingForm(FieldworkForm form, Lines lines, Double sagittaMillimetres, Double markerMetres) {
    private static final double USUAL_SAGITTA = 10;
    private static final double USUAL_MARKER = 0.5;
    private static final double LEAST_SAGITTA = 0.1;
    private static final double LARGEST = 10_000;

    FieldworkForm wanted() {
        return form == null ? FieldworkForm.DXF : form;
    }

    Lines drawn() {
        return lines == null ? Lines.BOTH : lines;
    }

    /** In metres, within what makes sense. */
    double sagitta() {
        return Math.max(LEAST_SAGITTA, Math.min(LARGEST, sagittaMillimetres == null ? USUAL_SAGITTA : sagittaMillimetres)) / 1000;
    }

    double marker() {
        return Math.max(LEAST_SAGITTA / 1000, Math.min(LARGEST, markerMetres == null ? USUAL_MARKER : markerMetres));
    }
}
