package verge.app.device;

import java.util.Arrays;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;

/**
 * How to reach an instrument, as typed.
 *
 * @param address 'name:port'
 * @param link kind of link; a cable if it is not said
 * @param partner pairing number or shared address
 */
public record LinkForm(String address, String link, String partner) {
    private static final Pattern WRITTEN = Pattern.compile("(?=.{1,80}:)((?:[A-Za-z0-9](?:[A-Za-z0-9-]{0,61}[A-Za-z0-9])?\\.)*[A-Za-z0-9](?:[A-Za-z0-9-]{0,61}[A-Za-z0-9])?):(\\d{1,5})");
    private static final int HIGHEST_PORT = 65_535;
    private static final int LONGEST_PARTNER = 20;

    public static LinkForm cable(String address) {
        return new LinkForm(address, LinkKind.CABLE.name(), "");
    }

    /** @throws SurveyException ADDRESS_UNFIT if it is not 'name:port', PARTNER_MISSING if the link needs one */
    public LinkSetting parse() {
        Matcher m = WRITTEN.matcher(address == null ? "" : address.strip());
        if (!m.matches() || Integer.parseInt(m.group(2)) < 1 || Integer.parseInt(m.group(2)) > HIGHEST_PORT) {
            throw new SurveyException(Problem.ADDRESS_UNFIT, address == null ? "" : address);
        }
        LinkKind kind = kind();
        String shared = partner == null ? "" : partner.strip();
        if (kind.needsPartner() && (shared.isEmpty() || shared.length() > LONGEST_PARTNER)) {
            throw new SurveyException(Problem.PARTNER_MISSING, kind == LinkKind.NEAR_RADIO ? "pairing number" : "shared address");
        }
        return new LinkSetting(kind, m.group(1), Integer.parseInt(m.group(2)), kind.needsPartner() ? shared : "");
    }

    private LinkKind kind() {
        String said = link == null || link.isBlank() ? LinkKind.CABLE.name() : link.strip().toUpperCase(Locale.ROOT);
        return Arrays.stream(LinkKind.values()).filter(k -> k.name().equals(said)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.CHOICE_UNFIT, "link", link, Arrays.toString(LinkKind.values())));
    }
}
