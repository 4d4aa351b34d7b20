package verge.formats.dxf;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The words in a text of a drawing, without the marks that say how they are set. */
final class PlainText {
    private static final Pattern LETTER_BY_NUMBER = Pattern.compile("\\\\U\\+([0-9A-Fa-f]{4})");
    private static final Pattern BY_DECIMALS = Pattern.compile("%%(\\d{3})");
    private static final Pattern SETTING_WITH_VALUE = Pattern.compile("\\\\[ACFHQTWcfp][^;\\\\]*;");
    private static final Pattern STACKED = Pattern.compile("\\\\S([^;]*);");

    private PlainText() {
    }

    static String lettersByNumber(String written) {
        return written.indexOf('\\') < 0 ? written
                : LETTER_BY_NUMBER.matcher(written)
                .replaceAll(m -> Matcher.quoteReplacement(Character.toString((char) Integer.parseInt(m.group(1), 16))));
    }

    static String of(String written) {
        return BY_DECIMALS.matcher(lettersByNumber(written))
                .replaceAll(m -> Matcher.quoteReplacement(Character.toString((char) Integer.parseInt(m.group(1)))))
                .replaceAll("(?i)%%d", "\u00B0").replaceAll("(?i)%%p", "\u00B1").replaceAll("(?i)%%c", "\u2300")
                .replaceAll("(?i)%%[uok]", "");
    }

    /** The same for a text of several lines, with braces and settings dropped. */
    static String ofLines(String written) {
        String text = STACKED.matcher(SETTING_WITH_VALUE.matcher(written).replaceAll("")).replaceAll("$1");
        return of(text.replace("\\P", " ").replace("\\~", " ").replaceAll("\\\\[LlOoKk]", "").replaceAll("(?<!\\\\)[{}]", "")
                .replace("\\{", "{").replace("\\}", "}").replace("\\\\", "\\"));
    }
}
