package verge.app.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.security.web.header.HeaderWriter;

/** Lets a page load only what Verge itself serves; the one inline script, the import map, carries the request's nonce. */
final class ContentPolicy implements HeaderWriter {
    static final String NONCE = "cspNonce";
    private static final int NONCE_BYTES = 16;

    private final SecureRandom random = new SecureRandom();

    /** The request's nonce, made on first use. */
    String nonce(HttpServletRequest request) {
        String nonce = (String) request.getAttribute(NONCE);
        if (nonce == null) {
            byte[] bytes = new byte[NONCE_BYTES];
            random.nextBytes(bytes);
            nonce = Base64.getEncoder().encodeToString(bytes);
            request.setAttribute(NONCE, nonce);
        }
        return nonce;
    }

    @Override
    public void writeHeaders(HttpServletRequest request, HttpServletResponse response) {
        response.setHeader("Content-Security-Policy", "default-src 'self'; img-src 'self' data:; script-src 'self' 'nonce-"
                + nonce(request) + "'; object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'");
    }
}
