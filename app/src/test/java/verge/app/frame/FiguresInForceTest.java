package verge.app.frame;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import verge.app.job.Job;
import verge.app.journal.Author;
import verge.app.journal.JournalService;
import verge.app.support.Jobs;
import verge.app.support.VergeServer;
import verge.app.support.Visitor;
import verge.core.settings.JobSettings;
import verge.core.settings.SettingsChosen;
import verge.core.units.AngleUnit;
import verge.core.units.DirectionStyle;
import verge.core.units.Figures;
import verge.core.units.LengthUnit;

/** Two tabs, one of which has changed the units: nothing that was typed on the other is read by them. */
@ExtendWith(VergeServer.class)
class FiguresInForceTest {
    private final VergeServer.Running verge;
    private Job job;
    private Visitor visitor;

    FiguresInForceTest(VergeServer.Running verge) {
        this.verge = verge;
    }

    @BeforeEach
    void arrive() throws Exception {
        job = Jobs.empty(verge);
        visitor = Visitor.signedIn(verge);
    }

    private String mark() throws Exception {
        String page = visitor.get("/jobs/" + job.id() + "/measure").body();
        return page.substring(page.indexOf("name=\"figures\" content=\"") + 24).split("\"")[0];
    }

    /**
     * Whatever is sent to a job's pages is refused before it is read, at every address that there is; the questions tell it by themselves.
     */
    @Test
    void noAddressReadsFiguresOfAnotherPage() throws Exception {
        List<String> addresses = new ArrayList<>();
        verge.application().getBean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class).getHandlerMethods().keySet()
                .forEach(info -> addresses.addAll(sentTo(info)));
        assertThat(addresses).hasSizeGreaterThan(80);
        for (String address : addresses) {
            HttpResponse<String> answer = visitor.post(address.replace("{job}", job.id().toString())
                    .replaceAll("\\{\\w+:(\\w+)[^}]*}", "$1").replaceAll("\\{[^}]+}", UUID.randomUUID().toString()),
                    Map.of("_figures", "0123456789abcdef"));
            assertThat(answer.statusCode()).as(address).isEqualTo(409);
            assertThat(answer.body()).as(address).contains("were changed since this page was opened");
        }
    }

    private static List<String> sentTo(RequestMappingInfo info) {
        return info.getMethodsCondition().getMethods().contains(RequestMethod.POST)
                ? info.getPatternValues().stream().filter(p -> p.startsWith("/jobs/{job}/") && !p.startsWith("/jobs/{job}/settings"))
                .toList() : List.of();
    }

    /** A pole of 1.600, typed in metres, is no pole of 1.6 ft. */
    @Test
    void aPoleThatWasTypedInMetresIsNotReadInFeet() throws Exception {
        String metres = mark();
        Map<String, String> pole = Map.of("targetHeight", "1.600", "prismConstant", "0");
        assertThat(visitor.post("/jobs/" + job.id() + "/pole", with(pole, metres)).statusCode()).isLessThan(400);
        JournalService journals = verge.bean(JournalService.class);
        JobSettings settings = journals.state(job.id()).settings();
        journals.append(job.id(), Author.atPage("surveyor"),
                new SettingsChosen(settings.with(Figures.of(LengthUnit.INTERNATIONAL_FOOT, AngleUnit.DEGREES, DirectionStyle.AZIMUTH, 3))));
        HttpResponse<String> late = visitor.post("/jobs/" + job.id() + "/pole", with(pole, metres));
        assertThat(late.statusCode()).isEqualTo(409);
        assertThat(journals.state(job.id()).target().orElseThrow().height().metres()).isEqualTo(1.6);
        assertThat(visitor.post("/jobs/" + job.id() + "/pole", with(Map.of("targetHeight", "5.25", "prismConstant", "0"), mark()))
                .statusCode()).isLessThan(400);
        assertThat(journals.state(job.id()).target().orElseThrow().height().metres()).isEqualTo(5.25 * 0.3048);
    }

    private static Map<String, String> with(Map<String, String> fields, String mark) {
        Map<String, String> all = new HashMap<>(fields);
        all.put("_figures", mark);
        return all;
    }
}
