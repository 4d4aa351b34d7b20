package verge.app.report;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.slf4j.Slf4jLogger;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;

/** Makes PDF from the same templates as the pages. Its fonts have the signs that surveyors write; nothing is fetched. */
@Component
public class PdfPress {
    private final TemplateEngine templates;

    PdfPress(TemplateEngine templates) {
        this.templates = templates;
        XRLog.setLoggerImpl(new Slf4jLogger());
    }

    /** As a file to be kept, called by its title. */
    public ResponseEntity<byte[]> file(String template, Map<String, Object> model) {
        String name = model.get("title").toString().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + ".pdf";
        return ResponseEntity.ok().contentType(MediaType.APPLICATION_PDF)
                .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name).build().toString())
                .body(print(template, model));
    }

    /** @param model what the template shows; its style sheet is written into it */
    public byte[] print(String template, Map<String, Object> model) {
        Context context = new Context(Locale.ENGLISH, model);
        context.setVariable("style", style());
        String page = templates.process(template, context);
        try (ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PdfRendererBuilder press = new PdfRendererBuilder();
            press.useFastMode();
            press.useSVGDrawer(new BatikSVGDrawer());
            press.useFont(() -> font("DejaVuSans"), "Text", 400, FontStyle.NORMAL, true);
            press.useFont(() -> font("DejaVuSans-Bold"), "Text", 700, FontStyle.NORMAL, true);
            press.useFont(() -> font("DejaVuSansMono"), "Figures", 400, FontStyle.NORMAL, true);
            press.withHtmlContent(page, null);
            press.toStream(out);
            press.run();
            return out.toByteArray();
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    private static InputStream font(String name) {
        return PdfPress.class.getResourceAsStream("/fonts/" + name + ".ttf");
    }

    private static String style() {
        try (InputStream in = PdfPress.class.getResourceAsStream("/static/css/report.css")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException lost) {
            throw new UncheckedIOException(lost);
        }
    }

    /** The first print loads fonts and takes seconds: better before somebody waits for it. */
    @EventListener(ApplicationReadyEvent.class)
    @Order
    void warmUp() {
        Thread thread = new Thread(() -> print("report/blank", Map.of()), "pdf warm-up");
        thread.setDaemon(true);
        thread.start();
    }
}
