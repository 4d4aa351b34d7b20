package verge.app.search;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;

/** The help, paragraph by paragraph, as its page has it. */
@Component
class HelpText {
    private static final Pattern PART = Pattern.compile("<h2 id=\"([^\"]+)\">(.*?)</h2>|<p>(.*?)</p>", Pattern.DOTALL);
    private static final Pattern MARKUP = Pattern.compile("<[^>]*>");
    private static final Pattern BEGINS_BOLD = Pattern.compile("^<b>(.*?)</b>");
    private static final Pattern NUMBER = Pattern.compile("^\\d+ \u00b7 ");

    private final List<Paragraph> paragraphs;

    /** @param title what it is about. @param anchor of its section */
    record Paragraph(String title, String text, String anchor) {
    }

    HelpText() throws IOException {
        try (InputStream page = HelpText.class.getResourceAsStream("/templates/frame/help.html")) {
            paragraphs = parse(new String(page.readAllBytes(), StandardCharsets.UTF_8));
        }
    }

    List<Paragraph> paragraphs() {
        return paragraphs;
    }

    private static List<Paragraph> parse(String page) {
        List<Paragraph> all = new ArrayList<>();
        Matcher part = PART.matcher(page);
        String section = "";
        String anchor = "";
        while (part.find()) {
            if (part.group(1) != null) {
                anchor = part.group(1);
                section = NUMBER.matcher(plain(part.group(2))).replaceFirst("");
            } else if (!anchor.isEmpty()) {
                Matcher bold = BEGINS_BOLD.matcher(part.group(3));
                all.add(new Paragraph(bold.find() ? section + ", " + plain(bold.group(1)) : section, plain(part.group(3)), anchor));
            }
        }
        return List.copyOf(all);
    }

    private static String plain(String markup) {
        return MARKUP.matcher(markup).replaceAll("").replace("&amp;", "&").replace("&lt;", "<").replace("&gt;", ">").strip();
    }
}
