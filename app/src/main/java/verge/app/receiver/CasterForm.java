package verge.app.receiver;

import java.util.Optional;
import verge.app.device.Address;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;
import verge.instruments.ntrip.CasterSetting;

/**
 * How corrections are reached, as typed.
 *
 * @param caster 'name:port'
 * @param tls 'true' for an encrypted link
 * @param version of the protocol, ONE or TWO; the second if it is not said
 * @param password blank for the one that is known already; that one never goes out over a link less safe than the one it was given for
 */
public record CasterForm(String caster, String tls, String version, String mountpoint, String user, String password) {
    private static final int LONGEST = 100;

    /** @param before how it was reached until now @throws SurveyException ADDRESS_UNFIT, MISSING, MOUNTPOINT_UNFIT, PASSWORD_FOR_TLS */
    public CasterSetting parse(Optional<CasterSetting> before) {
        Address at = Address.parse(caster);
        String stream = text(mountpoint);
        if (stream.isEmpty()) {
            throw new SurveyException(Problem.MISSING, "mountpoint");
        }
        return made(at, stream, before);
    }

    /** As {@link #parse}, to ask for the list of streams. */
    CasterSetting parseForTable(Optional<CasterSetting> before) {
        return made(Address.parse(caster), "", before);
    }

    private CasterSetting made(Address at, String stream, Optional<CasterSetting> before) {
        boolean same = before.filter(b -> b.host().equals(at.host()) && b.port() == at.port() && b.user().equals(text(user))).isPresent();
        boolean kept = text(password).isEmpty() && same && !before.orElseThrow().password().isEmpty();
        if (kept && before.orElseThrow().tls() && !"true".equals(tls)) {
            throw new SurveyException(Problem.PASSWORD_FOR_TLS, at.host());
        }
        String secret = kept ? before.orElseThrow().password() : text(password);
        if (stream.length() > LONGEST || text(user).length() > LONGEST || secret.length() > LONGEST) {
            throw new SurveyException(Problem.MOUNTPOINT_UNFIT, stream.length() > LONGEST ? stream : text(user));
        }
        try {
            return new CasterSetting(at.host(), at.port(), "true".equals(tls),
                    "ONE".equals(version) ? CasterSetting.Version.ONE : CasterSetting.Version.TWO, stream, text(user), secret);
        } catch (IllegalArgumentException unfit) {
            throw new SurveyException(Problem.MOUNTPOINT_UNFIT, stream.isEmpty() ? text(user) : stream);
        }
    }

    private static String text(String typed) {
        return typed == null ? "" : typed.strip();
    }
}
