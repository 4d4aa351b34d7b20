package verge.formats.photo;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.commons.imaging.Imaging;
import org.apache.commons.imaging.ImagingException;
import org.apache.commons.imaging.common.RationalNumber;
import org.apache.commons.imaging.formats.jpeg.JpegImageMetadata;
import org.apache.commons.imaging.formats.jpeg.exif.ExifRewriter;
import org.apache.commons.imaging.formats.tiff.constants.GpsTagConstants;
import org.apache.commons.imaging.formats.tiff.constants.TiffTagConstants;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputDirectory;
import org.apache.commons.imaging.formats.tiff.write.TiffOutputSet;
import verge.core.enclosure.Looking;
import verge.core.geodesy.Elevation;
import verge.core.geodesy.Geographic;
import verge.core.units.Angle;

/** A photo with its place, direction and subject in its Exif attributes (2.32), as a JPEG; its picture is not touched. */
public final class PlacedPhoto {
    /** Seconds of arc are written in such parts of one: three tenths of a millimetre on the ground. */
    private static final int PARTS_OF_A_SECOND = 100_000;
    private static final int PARTS_OF_A_DEGREE = 1000;
    private static final int PARTS_OF_A_METRE = 1000;

    private PlacedPhoto() {
    }

    /** What the camera wrote otherwise stays. Anything but a JPEG becomes one, of twelve million pixels at most. */
    public static byte[] of(Path photo, PhotoFile file, PhotoPlace place) throws IOException {
        byte[] jpeg = file.format().equals("jpeg") ? Files.readAllBytes(photo) : Unfolding.of(photo, PhotoCopies::jpeg);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            new ExifRewriter().updateExifMetadataLossless(jpeg, out, exif(jpeg, place, true));
        } catch (ImagingException | RuntimeException unfit) {
            // The maker's own notes do not fit any more, or could not be read: the place matters more than they do.
            out.reset();
            new ExifRewriter().updateExifMetadataLossy(jpeg, out, exif(jpeg, place, false));
        }
        return out.toByteArray();
    }

    private static TiffOutputSet exif(byte[] jpeg, PhotoPlace place, boolean withTheCameras) throws IOException {
        TiffOutputSet exif = withTheCameras && Imaging.getMetadata(jpeg) instanceof JpegImageMetadata own
                && own.getExif() != null ? own.getExif().getOutputSet() : new TiffOutputSet();
        TiffOutputDirectory gps = exif.getOrCreateGpsDirectory();
        if (place.place().isPresent()) {
            write(gps, place.place().get());
        }
        if (place.elevation().isPresent()) {
            write(gps, place.elevation().get());
        }
        if (place.looking().isPresent()) {
            write(gps, place.looking().get());
        }
        TiffOutputDirectory root = exif.getOrCreateRootDirectory();
        root.removeField(TiffTagConstants.TIFF_TAG_IMAGE_DESCRIPTION);
        root.add(TiffTagConstants.TIFF_TAG_IMAGE_DESCRIPTION, place.words());
        return exif;
    }

    private static void write(TiffOutputDirectory gps, Geographic place) throws ImagingException {
        gps.removeField(GpsTagConstants.GPS_TAG_GPS_LATITUDE_REF);
        gps.removeField(GpsTagConstants.GPS_TAG_GPS_LATITUDE);
        gps.removeField(GpsTagConstants.GPS_TAG_GPS_LONGITUDE_REF);
        gps.removeField(GpsTagConstants.GPS_TAG_GPS_LONGITUDE);
        gps.removeField(GpsTagConstants.GPS_TAG_GPS_MAP_DATUM);
        gps.add(GpsTagConstants.GPS_TAG_GPS_LATITUDE_REF, place.latitude().radians() < 0 ? "S" : "N");
        gps.add(GpsTagConstants.GPS_TAG_GPS_LATITUDE, sexagesimal(place.latitude()));
        gps.add(GpsTagConstants.GPS_TAG_GPS_LONGITUDE_REF, place.longitude().radians() < 0 ? "W" : "E");
        gps.add(GpsTagConstants.GPS_TAG_GPS_LONGITUDE, sexagesimal(place.longitude()));
        gps.add(GpsTagConstants.GPS_TAG_GPS_MAP_DATUM, "WGS-84");
    }

    /** Rounded once, in the smallest part that is written, then split. */
    private static RationalNumber[] sexagesimal(Angle angle) {
        long parts = Math.round(Math.abs(angle.arcSeconds()) * PARTS_OF_A_SECOND);
        int minute = 60 * PARTS_OF_A_SECOND;
        return new RationalNumber[] {new RationalNumber((int) (parts / (60L * minute)), 1),
                new RationalNumber((int) (parts / minute % 60), 1), new RationalNumber((int) (parts % minute), PARTS_OF_A_SECOND)};
    }

    private static void write(TiffOutputDirectory gps, Elevation elevation) throws ImagingException {
        gps.removeField(GpsTagConstants.GPS_TAG_GPS_ALTITUDE_REF);
        gps.removeField(GpsTagConstants.GPS_TAG_GPS_ALTITUDE);
        gps.add(GpsTagConstants.GPS_TAG_GPS_ALTITUDE_REF, (byte) (elevation.metres() < 0 ? 1 : 0));
        gps.add(GpsTagConstants.GPS_TAG_GPS_ALTITUDE,
                new RationalNumber((int) Math.round(Math.abs(elevation.metres()) * PARTS_OF_A_METRE), PARTS_OF_A_METRE));
    }

    private static void write(TiffOutputDirectory gps, Looking looking) throws ImagingException {
        gps.removeField(GpsTagConstants.GPS_TAG_GPS_IMG_DIRECTION_REF);
        gps.removeField(GpsTagConstants.GPS_TAG_GPS_IMG_DIRECTION);
        gps.add(GpsTagConstants.GPS_TAG_GPS_IMG_DIRECTION_REF, looking.north() == Looking.North.MAGNETIC ? "M" : "T");
        long parts = Math.round(looking.azimuth().degrees() * PARTS_OF_A_DEGREE) % (360L * PARTS_OF_A_DEGREE);
        gps.add(GpsTagConstants.GPS_TAG_GPS_IMG_DIRECTION, new RationalNumber((int) parts, PARTS_OF_A_DEGREE));
    }
}
