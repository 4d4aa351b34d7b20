package verge.app.enclosure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.junit.jupiter.api.Assertions.assertDoesNotThrow;

import com.drew.imaging.ImageMetadataReader;
import com.drew.metadata.exif.GpsDirectory;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.FieldParty;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.enclosure.Looking;
import verge.core.enclosure.NoteSpoken;
import verge.core.enclosure.Original;
import verge.core.enclosure.Photo;
import verge.core.enclosure.PhotoTaken;
import verge.core.enclosure.Stroke;
import verge.instruments.world.Ternholm;

/** Photos and spoken notes from the tablet to the office. */
@ExtendWith(VergeServer.class)
class PhotosOfAJobTest {
    private static final Pattern COORDINATES = Pattern.compile("\\[(-?[\\d.]+), ?(-?[\\d.]+)");

    private static final List<String> NO_STROKES = List.of("", "{", "null", "[null]", "[{\"kind\":\"arrow\"}]", "[{\"kind\":\"spray\"}]",
            "[{\"kind\":\"free\",\"spots\":[]}]",
            "[{\"kind\":\"arrow\",\"from\":{\"right\":2,\"down\":0},\"to\":{\"right\":0,\"down\":0}}]",
            "[{\"kind\":\"words\",\"at\":{\"right\":0,\"down\":0},\"text\":\" \"}]");

    private final VergeServer.Running verge;
    private FieldParty party;
    private Visitor visitor;
    private UUID plaque;

    PhotosOfAJobTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void aPlaqueIsMeasured() throws Exception {
        party = new FieldParty(verge, Jobs.onEarth(verge));
        party.setUpOnT2();
        visitor = Visitor.signedIn(verge);
        party.ground().pole(Ternholm.YARD.plus(4, 6));
        party.post("/measure/shots", Map.of("id", UUID.randomUUID().toString(), "name", "p1", "code", "PLQ"));
        plaque = party.state().points().all().filter(p -> p.name().text().equals("p1")).findFirst().orElseThrow().entry();
    }

    private static byte[] picture(int width, int height) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "jpeg", bytes);
        return bytes.toByteArray();
    }

    private HttpResponse<String> send(String id, UUID subject, String attribute, byte[] photo) throws Exception {
        return visitor.upload("/jobs/" + party.job() + "/photos?id=" + id + "&subject=" + subject + "&attribute=" + attribute, "photo",
                "IMG_1.jpg", photo);
    }

    private Photo only() {
        return party.state().enclosures().photos().reduce((a, b) -> {
            throw new IllegalStateException("more than one");
        }).orElseThrow();
    }

    private byte[] get(String path) throws Exception {
        return visitor.bytes("/jobs/" + party.job() + path);
    }

    @Test
    void aPhotoAnswersWhatTheCodeInsistsOn() throws Exception {
        assertThat(party.page("/attributes")).contains("photo of it</span>");
        byte[] photo = picture(800, 600);
        String id = UUID.randomUUID().toString();
        assertThat(send(id, plaque, "photo%20of%20it", photo).body()).contains("p1 PLQ");
        assertThat(send(id, plaque, "photo%20of%20it", photo).statusCode()).as("the answer was lost, and it is sent again").isEqualTo(200);
        assertThat(only().taken().attribute()).isEqualTo("photo of it");
        assertThat(party.page("/attributes")).contains("Everything that the codebook insists on has been answered");
        assertThat(get("/photos/" + id + "/original")).isEqualTo(photo);
        assertThat(ImageIO.read(new ByteArrayInputStream(get("/photos/" + id + "/thumbnail"))).getWidth()).isEqualTo(320);
        assertThat(party.page("/book")).contains("of p1 PLQ, photo of it");
        assertThat(party.page("/sketch")).contains("\"photos\":[{\"subject\":\"" + plaque);
    }

    /** The place written into it is the very one that GeoJSON has of the point; the direction is told from true north. */
    @Test
    void whatIsHandedOverBearsItsPlace() throws Exception {
        String id = UUID.randomUUID().toString();
        send(id, plaque, "", picture(400, 300));
        party.post("/photos/" + id + "/looking",
                Map.of("north", Double.toString(Ternholm.YARD.northing() + 4), "east", Double.toString(Ternholm.YARD.easting() + 1000)));
        party.post("/photos/" + id + "/strokes",
                Map.of("strokes", "[{\"kind\":\"free\",\"spots\":[{\"right\":0.1,\"down\":0.1},{\"right\":0.9,\"down\":0.9}]}]"));
        assertThat(only().strokes()).singleElement().isInstanceOf(Stroke.Free.class);
        assertThat(only().looking().orElseThrow().azimuth().degrees()).isCloseTo(90, within(0.01));

        Map<String, byte[]> parcel = unzip(get("/handover/photos"));
        assertThat(parcel).containsOnlyKeys("p1 PLQ-1.jpg", "p1 PLQ-1 drawn.jpg", "photos.csv");
        assertThat(new String(parcel.get("photos.csv"), StandardCharsets.UTF_8)).contains("p1 PLQ-1.jpg,p1 PLQ,63", ",90.0,grid north,");
        Matcher place = COORDINATES.matcher(party.page("/handover/drawing?form=GEOJSON"));
        assertThat(place.find()).isTrue();
        GpsDirectory gps = ImageMetadataReader.readMetadata(new ByteArrayInputStream(parcel.get("p1 PLQ-1.jpg")))
                .getFirstDirectoryOfType(GpsDirectory.class);
        assertThat(gps.getGeoLocation().getLongitude()).isCloseTo(Double.parseDouble(place.group(1)), within(1e-8));
        assertThat(gps.getGeoLocation().getLatitude()).isCloseTo(Double.parseDouble(place.group(2)), within(1e-8));
        double convergence = party.state().geodesy().convergence(Ternholm.YARD).orElseThrow().degrees();
        assertThat(gps.getDouble(GpsDirectory.TAG_IMG_DIRECTION)).isCloseTo(90 + convergence, within(0.01));
    }

    private static Map<String, byte[]> unzip(byte[] parcel) throws IOException {
        Map<String, byte[]> files = new HashMap<>();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(parcel))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(entry.getName(), zip.readAllBytes());
            }
        }
        return files;
    }

    @Test
    void whatIsNoPhotoIsRefusedAndNothingIsKept() throws Exception {
        int before = party.entries();
        assertThat(send(UUID.randomUUID().toString(), plaque, "", "a table".getBytes(StandardCharsets.UTF_8)).body())
                .contains("PHOTO_UNFIT", "IMG_1.jpg");
        assertThat(send(UUID.randomUUID().toString(), plaque, "", new byte[0]).body()).contains("FILE_EMPTY");
        assertThat(send(UUID.randomUUID().toString(), UUID.randomUUID(), "", picture(8, 8)).statusCode()).isEqualTo(404);
        assertThat(party.entries()).isEqualTo(before);
    }

    /** 'Kept' of a photo that was dropped: the one that was kept before stands, and nobody is told that this one is. */
    @Test
    void anIdIsNotUsedForAnotherPhoto() throws Exception {
        String id = UUID.randomUUID().toString();
        send(id, plaque, "", picture(40, 30));
        HttpResponse<String> other = send(id, plaque, "", picture(60, 30));
        assertThat(other.statusCode()).isEqualTo(409);
        assertThat(other.body()).contains("ENTRY_ID_USED", "IMG_1.jpg");
        assertThat(send(plaque.toString(), plaque, "", picture(60, 30)).body()).as("a shot's").contains("ENTRY_ID_USED");
        assertThat(get("/photos/" + id + "/original")).isEqualTo(picture(40, 30));
        assertThat(visitor.upload("/jobs/" + party.job() + "/photos/spoken?id=" + id + "&subject=" + plaque, "speech", "blob",
                HexFormat.of().parseHex("1A45DFA3010203040506070809")).body()).contains("ENTRY_ID_USED");
        assertThat(only().taken().original().name()).isEqualTo("IMG_1.jpg");
    }

    @Test
    void whatAPhotoAnswersIsNoBook() throws Exception {
        assertThat(visitor.upload("/jobs/" + party.job() + "/photos?id=" + UUID.randomUUID() + "&subject=" + plaque + "&attribute="
                + "a".repeat(5000), "photo", "IMG_1.jpg", picture(8, 8)).body()).contains("REQUEST_UNFIT");
    }

    @Test
    void noNameIsAFormulaInTheTable() throws Exception {
        visitor.upload("/jobs/" + party.job() + "/photos?id=" + UUID.randomUUID() + "&subject=" + plaque, "photo", "=1+1.jpg",
                picture(8, 8));
        assertThat(new String(unzip(get("/handover/photos")).get("photos.csv"), StandardCharsets.UTF_8)).contains(",'=1+1.jpg");
    }

    @Test
    void strokesThatAreNoneAreRefused() throws Exception {
        String id = UUID.randomUUID().toString();
        send(id, plaque, "", picture(40, 30));
        for (String strokes : NO_STROKES) {
            HttpResponse<String> answer = party.post("/photos/" + id + "/strokes", Map.of("strokes", strokes));
            assertThat(answer.statusCode()).as(strokes).isEqualTo(400);
            assertThat(answer.body()).contains("REQUEST_UNFIT");
        }
        assertThat(only().strokes()).isEmpty();
    }

    private HttpResponse<String> speak(String bytes) throws Exception {
        return visitor.upload("/jobs/" + party.job() + "/photos/spoken?id=" + UUID.randomUUID() + "&subject=" + plaque, "speech", "blob",
                HexFormat.of().parseHex(bytes));
    }

    /** What a browser plays is told by the bytes, not by what somebody calls them. */
    @Test
    void spokenNotesAreKeptAsWhatTheyAre() throws Exception {
        for (String none : List.of("3C68746D6C3E3C736372697074", "524946462400000041564920", "1A")) {
            assertThat(speak(none).body()).contains("SPEECH_UNFIT");
        }
        for (String recording : List.of("1A45DFA3010203040506070809", "4F67675300020000000000000000", "524946462400000057415645666D",
                "0000001C667479706D703432")) {
            assertThat(speak(recording).statusCode()).isEqualTo(200);
        }
        assertThat(party.state().enclosures().spokenNotes().map(n -> n.says().mediaType()))
                .containsExactly("audio/webm", "audio/ogg", "audio/wav", "audio/mp4");
        HttpResponse<String> played = visitor.get("/jobs/" + party.job() + "/photos/spoken/" + party.state().enclosures().spokenNotes()
                .findFirst()
                .orElseThrow().id());
        assertThat(played.headers().firstValue("Content-Type")).contains("audio/webm");
        assertThat(played.headers().firstValue("X-Content-Type-Options")).contains("nosniff");
    }

    /** A book may come from anywhere: what it names as a digest or a recording is no way to other files, nor a page. */
    @Test
    void aJournalFromElsewhereNamesNoFilesOfOurs() {
        assertThatThrownBy(() -> new Original("../../../../etc/passwd", "x.jpg", 1)).isInstanceOf(IllegalArgumentException.class);
        Original elsewhere = new Original("ab".repeat(32), "x.jpg", 1);
        assertThatThrownBy(() -> new NoteSpoken(plaque, elsewhere, "text/html")).isInstanceOf(IllegalArgumentException.class);
        JournalService journals = verge.bean(JournalService.class);
        UUID photo = journals.append(party.job(), Author.atPage("surveyor"), new PhotoTaken(plaque, "", elsewhere, Optional.empty()))
                .entry().id();
        assertThat(new String(assertDoesNotThrow(() -> get("/photos/" + photo + "/thumbnail")), StandardCharsets.UTF_8))
                .contains("not on this machine");
        assertThat(assertDoesNotThrow(() -> unzip(get("/handover/photos")))).containsOnlyKeys("photos.csv");
        assertThat(assertDoesNotThrow(() -> party.page("/photos"))).contains("p1 PLQ");
    }

    @Test
    void aPhotoOfWhatWasStruckIsKept() throws Exception {
        send(UUID.randomUUID().toString(), plaque, "", picture(40, 30));
        party.post("/book/" + plaque + "/strike", Map.of());
        assertThat(party.page("/photos")).contains("struck, line " + party.state().line(plaque));
        assertThat(party.page("/photos/of/" + plaque)).contains("struck, line " + party.state().line(plaque));
        assertThat(party.page("/sketch")).contains("\"photos\":[]");
        party.post("/book/" + plaque + "/restore", Map.of());
        assertThat(party.page("/photos")).contains("p1 PLQ");
    }

    /** A string is no line of the book: all its shots are struck, and its photo is still found. */
    @Test
    void aPhotoOfAStringThatWasStruckIsKept() throws Exception {
        party.kerb("k1", 5, 0, true);
        UUID string = party.state().strings().all().get(0).id();
        send(UUID.randomUUID().toString(), string, "", picture(40, 30));
        assertThat(party.page("/photos")).contains("KRB 1");
        party.post("/book/" + party.state().strings().all().get(0).vertices().get(0).id().by() + "/strike", Map.of());
        assertThat(party.page("/photos")).contains("a string that was struck");
        assertThat(party.page("/book")).contains("a string that was struck");
        assertThat(party.page("/handover")).contains("Photos and spoken notes");
        assertThat(unzip(get("/handover/photos"))).containsOnlyKeys("a string that was struck-1.jpg", "photos.csv");
    }

    /** A camera's compass is not taken for a grid azimuth, and what somebody says counts before it. */
    @Test
    void theCamerasDirectionIsTakenUntilSomebodySaysOtherwise() throws Exception {
        byte[] upright = getClass().getResourceAsStream("/demo/lamp.jpg").readAllBytes();
        String id = UUID.randomUUID().toString();
        send(id, plaque, "", upright);
        assertThat(only().looking().orElseThrow().north()).isEqualTo(Looking.North.TRUE);
        party.post("/photos/" + id + "/looking", Map.of("azimuth", "45"));
        assertThat(only().looking().orElseThrow().north()).isEqualTo(Looking.North.GRID);
        assertThat(party.post("/photos/" + id + "/looking", Map.of("azimuth", "north")).body()).contains("NOT_AN_ANGLE");
        party.post("/photos/" + id + "/looking", Map.of("azimuth", ""));
        assertThat(only().looking().orElseThrow().north()).isEqualTo(Looking.North.TRUE);
    }
}
