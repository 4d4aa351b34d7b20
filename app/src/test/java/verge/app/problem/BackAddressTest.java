package verge.app.problem;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import jakarta.servlet.http.HttpServletRequest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class BackAddressTest {
    private final HttpServletRequest request = mock(HttpServletRequest.class);

    @ParameterizedTest
    @CsvSource({
        "http://verge.test:8760/jobs/1/stake?point=T%201, /jobs/1/stake?point=T%201",
        "http://verge.test:8760/sites/1, /sites/1",
        "http://verge.test:8760, /",
        "http://verge.test:8761/jobs/1, /",
        "http://elsewhere.test:8760/jobs/1, /",
        "http://verge.test:8760//elsewhere.test/, /",
        "//elsewhere.test/, /",
        "about:blank, /",
        "not an address, /"})
    void theWayBackNeverLeadsElsewhere(String referrer, String back) {
        when(request.getServerName()).thenReturn("verge.test");
        when(request.getServerPort()).thenReturn(8760);
        when(request.getHeader("Referer")).thenReturn(referrer);
        assertThat(BackAddress.of(request)).isEqualTo(back);
    }

    @Test
    void whoComesFromNowhereIsLedToTheShelf() {
        assertThat(BackAddress.of(request)).isEqualTo("/");
    }
}
