package verge.formats.csv;

import java.text.Normalizer;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.drawing.FileUnit;

/**
 * The words that stand over columns of points, in the trade's words of several languages: English, German, Danish, Norwegian, Swedish,
 * Dutch, French, Spanish, Italian, Polish, Portuguese. Accents and capitals do not matter.
 */
final class Headings {
    private static final Map<Column, Set<String>> WORDS = new EnumMap<>(Map.of(
            Column.NAME, Set.of("name", "point", "id", "no", "nr", "num", "number", "pt", "pnt", "point name", "point no", "point number",
            "point id", "station", "label",
                    "punkt", "punktnummer", "punktnr", "punktname", "punktnavn", "punktnamn", "bezeichnung", "nummer", "navn", "namn",
                    "puntnummer", "punt", "puntnaam", "naam",
                    "nom", "numero", "matricule", "punto", "nombre", "nome", "nazwa", "numer", "nr punktu", "numer punktu", "ponto",
                    "n\u00famero", "n\u00ba", "n\u00b0"),
            Column.NORTHING, Set.of("n", "north", "northing", "s", "south", "southing", "lat", "latitude", "nord", "norr", "hochwert",
            "nordwert", "norden", "nordkoordinat", "noord",
                    "noordcoordinaat", "norte", "polnoc", "breite", "breddegrad", "breedtegraad", "latitud", "latitudine", "szerokosc",
                    "southings", "northings"),
            Column.EASTING, Set.of("e", "east", "easting", "w", "west", "westing", "lon", "long", "lng", "longitude", "ost", "rechtswert",
            "ostwert", "osten", "\u00f8st", "oest",
                    "oost", "oostcoordinaat", "est", "este", "leste", "wschod", "laenge", "lange", "lengdegrad", "lengtegraad", "longitud",
                    "longitudine", "dlugosc", "eastings", "westings"),
            Column.ELEVATION, Set.of("h", "z", "elev", "elevation", "height", "level", "hoehe", "hohe", "kote", "hoyde", "h\u00f8yde",
            "hojde", "h\u00f8jde", "hojd", "hoogte", "altitude", "alt",
                    "cote", "cota", "altura", "elevacion", "quota", "altezza", "wysokosc", "rzedna", "elevacao", "altitud", "rl",
                    "reduced level", "orthometric height", "elevation above sea"),
            Column.CODE, Set.of("code", "feature", "feature code", "kode", "kod", "codigo", "codice", "objektcode"),
            Column.DESCRIPTION, Set.of("description", "desc", "remark", "remarks", "comment", "note", "notes", "beschreibung", "bemerkung",
            "beskrivelse", "bemaerkning", "beskrivning",
                    "anmerkning", "omschrijving", "opmerking", "descripcion", "observaciones", "descrizione", "note punto", "opis", "uwagi",
                    "descricao", "observacoes", "descriptif", "remarque"),
            Column.SIGMA_PLAN, Set.of("sigma plan", "sigma", "std plan", "standard deviation plan"),
            Column.SIGMA_HEIGHT, Set.of("sigma height", "std height", "standard deviation height")));
    /** Over the ellipsoid: tens of metres from an elevation in most of the world. */
    private static final Set<String> ELLIPSOIDAL = Set.of("ellipsoidal height", "ellipsoid height", "height above ellipsoid", "ellipsoidal",
            "ell height", "h ell", "hell", "ellh", "hae", "ellipsoidische hohe", "ellipsoidhohe",
            "ellipsoidehojde", "ellipsoidhojde", "ellipsoidhoyde", "ellipsoidhojd", "ellipsoidische hoogte", "hauteur ellipsoidale",
            "hauteur ellipsoide", "altura elipsoidal", "quota ellissoidica", "altezza ellissoidica", "wysokosc elipsoidalna",
            "altitude elipsoidal", "elipsoidal height");
    /** Words that mean a height over the sea and nothing else. */
    private static final Set<String> OVER_THE_SEA = Set.of("elev", "elevation", "elevacion", "elevacao", "rl", "reduced level", "rzedna",
            "kote", "cota", "quota", "cote", "orthometric height", "elevation above sea");
    private static final Set<String> COUNT_SOUTH = Set.of("s", "south", "southing", "southings");
    private static final Set<String> COUNT_WEST = Set.of("w", "west", "westing", "westings");
    private static final Set<String> DEGREES = Set.of("lat", "latitude", "lon", "long", "lng", "longitude", "breite", "laenge", "lange",
            "breddegrad", "lengdegrad", "breedtegraad",
            "lengtegraad", "latitud", "longitud", "latitudine", "longitudine", "szerokosc", "dlugosc");
    /** A unit behind the word: in brackets, or after an underline or a blank. */
    private static final Pattern WITH_UNIT =
            Pattern.compile(
            "(.*?)\\s*(?:[\\[(](.*?)[\\])]|[_ ](m|metre|metres|meter|meters|ft|feet|foot|ftus|usft|us ft|us survey "
            + "feet|mm|cm|in|deg))?\\s*");

    private Headings() {
    }

    /** What a unit's name says. */
    sealed interface Unit {
        record Said(FileUnit unit) implements Unit {
        }

        /** A foot, but not which. */
        record SomeFoot() implements Unit {
        }

        record Degrees() implements Unit {
        }
    }

    /** What a heading says of its heights; of several such columns the first of these kinds is meant. */
    enum Height { OVER_THE_SEA, SOME, ELLIPSOIDAL }

    /**
     * One heading, understood.
     *
     * @param meaning empty for a word that is not known
     * @param axis 'x' or 'y', which say an axis and not which way it runs; else 0
     * @param height of a column of heights which kind it says; absent for other columns
     */
    record Heading(Optional<Column> meaning, Optional<Unit> unit, boolean south, boolean west, char axis, Optional<Height> height) {
    }

    static Heading of(String cell) {
        String plain = plain(cell);
        Matcher m = WITH_UNIT.matcher(plain);
        String word = m.matches() ? m.group(1).replaceAll("[.:_]+$", "").replace('_', ' ').strip() : plain;
        Optional<Unit> unit = m.matches() ? Optional.ofNullable(m.group(2) == null ? m.group(3) : m.group(2))
                .flatMap(Headings::unit) : Optional.empty();
        char axis = word.equals("x") || word.equals("x coordinate") || word.equals("coord x") ? 'x' : word.equals("y")
                || word.equals("y coordinate") || word.equals("coord y") ? 'y' : 0;
        boolean ellipsoidal = ELLIPSOIDAL.contains(word);
        Optional<Column> meaning = ellipsoidal ? Optional.of(Column.ELEVATION) : WORDS.entrySet().stream()
                .filter(e -> e.getValue().contains(word) || e.getValue().stream().anyMatch(w -> plain(w).equals(word)))
                .map(Map.Entry::getKey).findFirst();
        return new Heading(meaning, DEGREES.contains(word) ? Optional.of(unit.orElse(new Unit.Degrees())) : unit,
                COUNT_SOUTH.contains(word), COUNT_WEST.contains(word), axis,
                meaning.filter(c -> c == Column.ELEVATION)
                .map(c -> ellipsoidal ? Height.ELLIPSOIDAL : OVER_THE_SEA.contains(word) ? Height.OVER_THE_SEA : Height.SOME));
    }

    /** Small letters without accents. */
    private static String plain(String text) {
        String small = text.strip().toLowerCase(Locale.ROOT).replace("\u00e6", "ae").replace("\u00f8", "o").replace("\u0142", "l")
                .replace("\u00df", "ss");
        return Normalizer.normalize(small, Normalizer.Form.NFD).replaceAll("\\p{M}", "").replaceAll("\\s+", " ");
    }

    /** A unit by its name or sign. */
    static Optional<Unit> unit(String text) {
        return switch (plain(text).replaceAll("[\\[\\]().]", "").strip()) {
            case "m", "metre", "metres", "meter", "meters", "metros", "metri", "metr" -> Optional.of(new Unit.Said(FileUnit.METRE));
            case "mm", "millimetres", "millimeters" -> Optional.of(new Unit.Said(FileUnit.MILLIMETRE));
            case "cm", "centimetres", "centimeters" -> Optional.of(new Unit.Said(FileUnit.CENTIMETRE));
            case "in", "inch", "inches" -> Optional.of(new Unit.Said(FileUnit.INCH));
            case "ftus", "usft", "us ft", "us-ft", "ft us", "us survey feet", "us survey foot", "survey feet", "survey foot",
                    "sft" -> Optional.of(new Unit.Said(FileUnit.US_SURVEY_FOOT));
            case "ift", "ft int", "intl ft", "international feet", "international foot" ->
                    Optional.of(new Unit.Said(FileUnit.INTERNATIONAL_FOOT));
            case "ft", "feet", "foot", "'" -> Optional.of(new Unit.SomeFoot());
            case "deg", "degrees", "\u00b0", "dd", "decimal degrees" -> Optional.of(new Unit.Degrees());
            default -> Optional.empty();
        };
    }

    /** Whether a row says nothing but units, as the one below a heading may. */
    static boolean areUnits(List<String> cells) {
        List<String> said = cells.stream().filter(c -> !c.isEmpty() && !c.equals("-")).toList();
        return !said.isEmpty() && said.stream().allMatch(c -> unit(c).isPresent());
    }
}
