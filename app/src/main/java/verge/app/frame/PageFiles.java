package verge.app.frame;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Duration;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.boot.autoconfigure.web.WebProperties;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.ResourcePatternResolver;
import org.springframework.http.CacheControl;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Scripts, styles and fonts of the pages, under an address that says what is in them. A browser keeps them and asks no more, which a slow
 * link in the field would pay for with each page; and a new Verge never runs with the scripts of the old one, for its own stand elsewhere.
 */
@Component
@ConditionalOnWebApplication   // rebuilding points needs no pages
class PageFiles implements WebMvcConfigurer {
    private static final CacheControl FOR_GOOD = CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable();
    private static final int ENOUGH = 12;

    private final String address;
    private final String[] locations;

    PageFiles(ResourcePatternResolver resources, WebProperties web) throws IOException {
        locations = web.getResources().getStaticLocations();
        address = "/kept/" + digest(resources) + "/";
    }

    private static String digest(ResourcePatternResolver resources) throws IOException {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            for (String pattern : List.of("classpath:/static/js/**/*.js", "classpath:/static/css/*.css")) {
                Resource[] files = resources.getResources(pattern);
                Arrays.sort(files, Comparator.comparing(Resource::getDescription));
                for (Resource file : files) {
                    try (InputStream in = file.getInputStream()) {
                        digest.update(in.readAllBytes());
                    }
                }
            }
            return HexFormat.of().formatHex(digest.digest()).substring(0, ENOUGH);
        } catch (NoSuchAlgorithmException none) {
            throw new IllegalStateException(none);
        }
    }

    /** Tells each page where its files stand. */
    @Override
    public void addInterceptors(InterceptorRegistry registry) {
        registry.addInterceptor(new HandlerInterceptor() {
            @Override
            public boolean preHandle(HttpServletRequest request, HttpServletResponse response, Object handler) {
                request.setAttribute("pageFiles", address);
                return true;
            }
        });
    }

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler(address + "**").addResourceLocations(locations).setCacheControl(FOR_GOOD);
        // Libraries stand under their version.
        registry.addResourceHandler("/webjars/**").addResourceLocations("classpath:/META-INF/resources/webjars/").setCacheControl(FOR_GOOD);
    }
}
