package verge.app.problem;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URI;

/** Where a person came from, if that was a page of this Verge: the way back from a problem's page. */
public final class BackAddress {
    private BackAddress() {
    }

    /** Path and query of the page before, or the shelf of sites. */
    public static String of(HttpServletRequest request) {
        String referrer = request.getHeader("Referer");
        if (referrer == null) {
            return "/";
        }
        try {
            URI before = URI.create(referrer);
            boolean here = request.getServerName().equals(before.getHost()) && request.getServerPort() == before.getPort();
            // Two slashes in front would name another host.
            return !here || before.getRawPath().isEmpty() || before.getRawPath().startsWith("//") ? "/" : before.getRawPath()
                    + (before.getRawQuery() == null ? "" : "?" + before.getRawQuery());
        } catch (IllegalArgumentException noAddress) {
            return "/";
        }
    }
}
