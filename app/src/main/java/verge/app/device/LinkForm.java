package verge.app.device;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.driver.Driver;
import verge.instruments.port.LinkKind;
import verge.instruments.port.LinkSetting;

/**
 * How to reach an instrument, as typed.
 *
 * @param address 'name:port'
 * @param link kind of link; a cable if it is not said
 * @param partner pairing number or shared address
 * @param driver that speaks to it; the usual one if it is not said
 */
public record LinkForm(String address, String link, String partner, String driver) {
    private static final int LONGEST_PARTNER = 20;

    public static LinkForm cable(String address) {
        return new LinkForm(address, LinkKind.CABLE.name(), "", "");
    }

    /**
     * @param drivers of which one is chosen
     * @throws SurveyException ADDRESS_UNFIT if it is not 'name:port', PARTNER_MISSING if the link needs one, DRIVER_UNKNOWN
     */
    public LinkSetting parse(List<? extends Driver<?>> drivers) {
        Address at = Address.parse(address);
        LinkKind kind = kind();
        String shared = partner == null ? "" : partner.strip();
        if (kind.needsPartner() && (shared.isEmpty() || shared.length() > LONGEST_PARTNER)) {
            throw new SurveyException(Problem.PARTNER_MISSING, kind == LinkKind.NEAR_RADIO ? "pairing number" : "shared address");
        }
        return new LinkSetting(Drivers.id(drivers, driver), kind, at.host(), at.port(), kind.needsPartner() ? shared : "");
    }

    private LinkKind kind() {
        String said = link == null || link.isBlank() ? LinkKind.CABLE.name() : link.strip().toUpperCase(Locale.ROOT);
        return Arrays.stream(LinkKind.values()).filter(k -> k.name().equals(said)).findFirst()
                .orElseThrow(() -> new SurveyException(Problem.CHOICE_UNFIT, "link", link, Arrays.toString(LinkKind.values())));
    }
}
