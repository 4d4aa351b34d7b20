package verge.formats.photo;

import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import verge.core.enclosure.Stroke;

/** A photo with what was drawn over it. */
public final class DrawnPhoto {
    /** Widths, of the longer side of the photo. */
    private static final double PEN = 1 / 250.0;
    private static final double HALO = 2.2;
    private static final double ARROW_HEAD = 1 / 40.0;
    private static final double ARROW_WIDTH = 0.55;
    private static final double LETTERS = 1 / 35.0;
    /** The pen's colour: seen on stone, grass and water alike within its pale rim. */
    private static final Color INK = new Color(0x9E2B2F);
    private static final Color RIM = new Color(0xF7F3E8);

    private DrawnPhoto() {
    }

    /** As a JPEG; a photo of more than twelve million pixels becomes smaller. */
    public static byte[] of(Path photo, List<Stroke> strokes) throws IOException {
        return Unfolding.of(photo, picture -> drawn(picture, strokes));
    }

    private static byte[] drawn(BufferedImage picture, List<Stroke> strokes) throws IOException {
        Graphics2D pen = picture.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        double longer = Math.max(picture.getWidth(), picture.getHeight());
        pen.setFont(new Font(Font.SANS_SERIF, Font.BOLD, (int) Math.round(longer * LETTERS)));
        for (Stroke stroke : strokes) {
            Shape shape = shape(stroke, picture.getWidth(), picture.getHeight(), longer, pen);
            float width = (float) (longer * PEN);
            boolean words = stroke instanceof Stroke.Words;
            pen.setColor(RIM);
            pen.setStroke(new BasicStroke((float) (width * HALO), BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
            pen.draw(shape);
            pen.setColor(INK);
            pen.setStroke(new BasicStroke(width, BasicStroke.CAP_ROUND, BasicStroke.JOIN_ROUND));
            if (words) {
                pen.fill(shape);
            } else {
                pen.draw(shape);
            }
        }
        pen.dispose();
        return PhotoCopies.jpeg(picture);
    }

    private static Shape shape(Stroke stroke, int width, int height, double longer, Graphics2D pen) {
        if (stroke instanceof Stroke.Circle circle) {
            Ellipse2D ellipse = new Ellipse2D.Double();
            ellipse.setFrameFromDiagonal(circle.one().right() * width, circle.one().down() * height, circle.other().right() * width,
                    circle.other().down() * height);
            return ellipse;
        } else if (stroke instanceof Stroke.Words words) {
            return pen.getFont().createGlyphVector(pen.getFontRenderContext(), words.text())
                    .getOutline((float) (words.at().right() * width), (float) (words.at().down() * height));
        }
        Path2D path = new Path2D.Double();
        List<Stroke.Spot> spots = stroke instanceof Stroke.Arrow arrow ? List.of(arrow.from(), arrow.to()) : ((Stroke.Free) stroke).spots();
        path.moveTo(spots.get(0).right() * width, spots.get(0).down() * height);
        spots.stream().skip(1).forEach(s -> path.lineTo(s.right() * width, s.down() * height));
        if (stroke instanceof Stroke.Arrow arrow) {
            double towards = Math.atan2((arrow.to().down() - arrow.from().down()) * height,
                    (arrow.to().right() - arrow.from().right()) * width);
            Path2D head = new Path2D.Double();
            double size = longer * ARROW_HEAD;
            head.moveTo(-size, -size * ARROW_WIDTH);
            head.lineTo(0, 0);
            head.lineTo(-size, size * ARROW_WIDTH);
            AffineTransform place = AffineTransform.getTranslateInstance(arrow.to().right() * width, arrow.to().down() * height);
            place.rotate(towards);
            path.append(place.createTransformedShape(head), false);
        }
        return path;
    }
}
