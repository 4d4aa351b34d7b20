package verge.app.support;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.URLEncoder;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.Iterator;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Somebody who visits Verge over HTTP, with the cookies and the token of a browser. */
public final class Visitor {
    private static final Pattern CSRF = Pattern.compile("name=\"csrf\" content=\"([^\"]+)\"");
    private final HttpClient client = HttpClient.newBuilder().cookieHandler(new CookieManager()).followRedirects(HttpClient.Redirect.NORMAL)
            .build();
    private final String base;
    private String csrf = "";

    public Visitor(String base) {
        this.base = base;
    }

    public static Visitor signedIn(VergeServer.Running verge) throws IOException, InterruptedException {
        Visitor visitor = new Visitor(verge.base());
        visitor.get("/sign-in");
        visitor.post("/sign-in", Map.of("username", "surveyor", "password", "lighthouse"));
        visitor.get("/account");
        return visitor;
    }

    /** From here on as a forged page would post: with the cookie, without the token. */
    public void forgetToken() {
        csrf = "";
    }

    public HttpResponse<String> get(String path, String... headers) throws IOException, InterruptedException {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
        if (headers.length > 0) {
            request.headers(headers);
        }
        return remember(client.send(request.build(), HttpResponse.BodyHandlers.ofString()));
    }

    /** A file, byte for byte. */
    public byte[] bytes(String path) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(base + path)).build(), HttpResponse.BodyHandlers.ofByteArray()).body();
    }

    /** The lines of an answer that goes on, as they come. */
    public Iterator<String> lines(String path) throws IOException, InterruptedException {
        return client.send(HttpRequest.newBuilder(URI.create(base + path)).build(), HttpResponse.BodyHandlers.ofLines()).body().iterator();
    }

    /** As a script of a page would post. */
    public HttpResponse<String> post(String path, Map<String, String> fields) throws IOException, InterruptedException {
        String body = fields.entrySet().stream().map(f -> f.getKey() + "=" + URLEncoder.encode(f.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
        return send(HttpRequest.newBuilder(URI.create(base + path)).header("Content-Type", "application/x-www-form-urlencoded")
                .POST(HttpRequest.BodyPublishers.ofString(body)));
    }

    /** @return the page of the file when it is read, however busy the machine is */
    public HttpResponse<String> upload(String path, String fileName, byte[] content) throws IOException, InterruptedException {
        HttpResponse<String> page = upload(path, "file", fileName, content);
        while (page.body().contains("<title>Reading")) {
            page = remember(client.send(HttpRequest.newBuilder(page.uri()).build(), HttpResponse.BodyHandlers.ofString()));
        }
        return page;
    }

    /** @param part what the form calls the file */
    public HttpResponse<String> upload(String path, String part, String fileName, byte[] content) throws IOException, InterruptedException {
        return send(withFile(path, part, fileName, content));
    }

    /** As a program would, with a bearer token; further fields go into the path. */
    public HttpResponse<String> programUpload(String path, String token, String fileName, byte[] content)
            throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(withFile(path, "file", fileName, content).header("Authorization", "Bearer " + token).build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private HttpRequest.Builder withFile(String path, String part, String fileName, byte[] content) {
        String boundary = "part" + UUID.randomUUID();
        byte[] head = ("--" + boundary + "\r\nContent-Disposition: form-data; name=\"" + part + "\"; filename=\"" + fileName
                + "\"\r\nContent-Type: text/csv\r\n\r\n").getBytes(StandardCharsets.UTF_8);
        return HttpRequest.newBuilder(URI.create(base + path)).header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(HttpRequest.BodyPublishers.concat(HttpRequest.BodyPublishers.ofByteArray(head),
                        HttpRequest.BodyPublishers.ofByteArray(content),
                        HttpRequest.BodyPublishers.ofString("\r\n--" + boundary + "--\r\n")));
    }

    /** With a bearer token and JSON, as a program would. */
    public HttpResponse<String> program(String method, String path, String token, String json) throws IOException, InterruptedException {
        return HttpClient.newHttpClient().send(HttpRequest.newBuilder(URI.create(base + path)).header("Authorization", "Bearer " + token)
                .header("Content-Type", "application/json").method(method, HttpRequest.BodyPublishers.ofString(json)).build(),
                HttpResponse.BodyHandlers.ofString());
    }

    private HttpResponse<String> send(HttpRequest.Builder request) throws IOException, InterruptedException {
        return remember(client.send(request.header("X-CSRF-TOKEN", csrf).header("X-Requested-With", "fetch").build(),
                HttpResponse.BodyHandlers.ofString()));
    }

    private HttpResponse<String> remember(HttpResponse<String> response) {
        Matcher found = CSRF.matcher(response.body());
        if (found.find()) {
            csrf = found.group(1);
        }
        return response;
    }
}
