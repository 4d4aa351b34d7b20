package verge.core.units;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verge.core.problem.SurveyException;

class TimeTextTest {
    private static final TimeText CLOCK = new TimeText(ZoneId.of("CET"));
    private static final Instant SUMMER = Instant.parse("2026-06-01T22:41:07.123456Z");
    private static final Instant WINTER = Instant.parse("2026-12-01T08:00:00Z");

    @Test
    void summerTimeIsTold() {
        assertThat(CLOCK.whole(SUMMER)).isEqualTo("2 June 2026, 00:41:07");
        assertThat(CLOCK.day(SUMMER)).isEqualTo("Tuesday 2 June 2026");
        assertThat(CLOCK.clock(WINTER)).isEqualTo("09:00:00");
        assertThat(CLOCK.clockAt(SUMMER)).isEqualTo("CET, UTC+2");
        assertThat(CLOCK.clockAt(WINTER)).isEqualTo("CET, UTC+1");
        assertThat(CLOCK.until(SUMMER, SUMMER.plusSeconds(60))).isEqualTo("00:42:07");
        assertThat(CLOCK.until(SUMMER.minusSeconds(3_600), SUMMER)).isEqualTo("2 June 2026, 00:41:07");
        assertThat(CLOCK.iso(SUMMER)).isEqualTo("2026-06-02T00:41:07.123456+02:00");
        assertThat(new TimeText(ZoneOffset.ofHoursMinutes(-3, -30)).clockAt(SUMMER)).isEqualTo("UTC\u22123:30");
    }

    @ParameterizedTest
    @CsvSource({"utc,Z", "Z,Z", "UTC+2,+02:00", "+2,+02:00", "gmt-03:30,-03:30", "\u22125,-05:00", "cet,CET", "EST5EDT,EST5EDT"})
    void zonesAsTyped(String typed, String zone) {
        ZoneId parsed = TimeText.parseZone(typed);
        assertThat(parsed).isEqualTo(ZoneId.of(zone));
        assertThat(TimeText.parseZone(new TimeText(parsed).name())).isEqualTo(parsed);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "here", "UTC+25", "+2:99", "CET2"})
    void noZones(String typed) {
        assertThatThrownBy(() -> TimeText.parseZone(typed)).isInstanceOf(SurveyException.class).hasMessageContaining("ZONE_UNKNOWN");
    }

    @ParameterizedTest
    @CsvSource({"2026-06-01,11:20,2026-06-01T09:20:00Z", "2026-12-01,9:05:30,2026-12-01T08:05:30Z",
        // the clock is put back at 3:00, and forward at 2:00
        "2026-10-25,2:30,2026-10-25T00:30:00Z", "2026-03-29,2:30,2026-03-29T01:30:00Z"})
    void momentsAsTyped(LocalDate day, String typed, Instant at) {
        assertThat(CLOCK.at(day, typed)).isEqualTo(at);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "11", "11:2", "25:00", "11.20", "-1:00", "11:20 pm"})
    void noMoments(String typed) {
        assertThatThrownBy(() -> CLOCK.at(LocalDate.of(2026, 6, 1), typed)).isInstanceOf(SurveyException.class)
                .hasMessageContaining("NOT_A_TIME");
    }
}
