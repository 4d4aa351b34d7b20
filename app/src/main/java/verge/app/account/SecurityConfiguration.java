package verge.app.account;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnWebApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.AuthenticationEntryPoint;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.authentication.AuthenticationSuccessHandler;
import org.springframework.security.web.authentication.LoginUrlAuthenticationEntryPoint;
import org.springframework.security.web.authentication.SavedRequestAwareAuthenticationSuccessHandler;
import org.springframework.security.web.authentication.UsernamePasswordAuthenticationFilter;
import org.springframework.security.web.header.HeaderWriterFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.security.web.savedrequest.HttpSessionRequestCache;
import org.springframework.security.web.savedrequest.RequestCache;
import org.springframework.web.filter.OncePerRequestFilter;
import verge.app.problem.ProblemWords;
import verge.core.problem.Problem;

/** Who may see what: pages by form sign-in, the program interface by personal token. */
@Configuration
@ConditionalOnWebApplication
class SecurityConfiguration {
    private static final DateTimeFormatter TRIED_AT = DateTimeFormatter.ofPattern("HH:mm:ss 'UTC on' d MMMM uuuu", Locale.ENGLISH);

    private static final Logger LOG = LoggerFactory.getLogger(SecurityConfiguration.class);

    @Bean
    @Order(1)
    SecurityFilterChain programs(HttpSecurity http, TokenService tokens, ProblemWords words) throws Exception {
        return http.securityMatcher("/api/**")
                .csrf(csrf -> csrf.disable())   // no cookie signs a program in, so there is nothing to forge
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .addFilterBefore(new TokenFilter(tokens), UsernamePasswordAuthenticationFilter.class)
                .authorizeHttpRequests(requests -> requests
                        .dispatcherTypeMatchers(DispatcherType.ASYNC, DispatcherType.ERROR, DispatcherType.FORWARD).permitAll()
                        .requestMatchers("/api/v1/openapi", "/api/v1/openapi/**").permitAll()
                        .anyRequest().authenticated())
                .exceptionHandling(handling -> handling.authenticationEntryPoint(asksForSignIn(words)))
                .headers(headers -> headers.contentSecurityPolicy(policy ->
                policy.policyDirectives("default-src 'none'; frame-ancestors 'none'"))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)))
                .build();
    }

    @Bean
    @Order(2)
    SecurityFilterChain pages(HttpSecurity http, SignIns signIns, ProblemWords words) throws Exception {
        ContentPolicy policy = new ContentPolicy();
        Guesses guesses = new Guesses(Clock.systemUTC());
        return http
                .authorizeHttpRequests(requests -> requests
                        .dispatcherTypeMatchers(DispatcherType.ASYNC, DispatcherType.ERROR, DispatcherType.FORWARD).permitAll()
                        .requestMatchers("/sign-in", "/webjars/**", "/kept/**", "/css/**", "/js/**", "/fonts/**", "/icons/**",
                        "/favicon.svg", "/manifest.webmanifest", "/worker.js", "/away.html",
                                "/actuator/health").permitAll()
                        .anyRequest().authenticated())
                .requestCache(cache -> cache.requestCache(pagesAlone()))
                .formLogin(form -> form.loginPage("/sign-in").successHandler(signedIn(guesses))
                .failureHandler((request, response, failure) -> {
                    guesses.failed(named(request), request.getRemoteAddr());
                    LOG.warn("wrong password for '{}' from {}", named(request).replaceAll("\\p{Cntrl}", "?"), request.getRemoteAddr());
                    response.sendRedirect("/sign-in?error");
                }))
                .addFilterBefore(slowed(guesses), UsernamePasswordAuthenticationFilter.class)
                .logout(logout -> logout.logoutUrl("/sign-out").logoutSuccessUrl("/sign-in").addLogoutHandler((request, response, who) -> {
                    if (who != null && request.getSession(false) != null) {
                        signIns.ended(who.getName(), request.getSession(false).getId());
                    }
                }))
                .exceptionHandling(handling -> handling.authenticationEntryPoint(asksForSignInOrShowsIt(words)))
                .headers(headers -> headers.addHeaderWriter(policy)
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.SAME_ORIGIN)))   // a refusal leads back to its page
                .addFilterBefore(nonceFilter(policy), HeaderWriterFilter.class)
                .build();
    }

    private static String named(HttpServletRequest request) {
        return Optional.ofNullable(request.getParameter(UsernamePasswordAuthenticationFilter.SPRING_SECURITY_FORM_USERNAME_KEY)).orElse("");
    }

    /** Where somebody tried wrong passwords meanwhile, that is told first. */
    private static AuthenticationSuccessHandler signedIn(Guesses guesses) {
        AuthenticationSuccessHandler usual = new SavedRequestAwareAuthenticationSuccessHandler();
        return (request, response, who) -> {
            Optional<Guesses.Told> told = guesses.succeeded(who.getName(), request.getRemoteAddr());
            if (told.isPresent()) {
                request.getSession().setAttribute(AccountController.TRIED,
                        told.get().count() + " wrong passwords were tried for your name since you signed in last, the latest at "
                        + TRIED_AT.format(told.get().last().atZone(ZoneOffset.UTC)) + " from " + told.get().address() + ".");
                response.sendRedirect("/account");
            } else {
                usual.onAuthenticationSuccess(request, response, who);
            }
        };
    }

    private static OncePerRequestFilter slowed(Guesses guesses) {
        return new OncePerRequestFilter() {
            @Override
            protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                    throws IOException, ServletException {
                boolean signsIn = request.getMethod().equals("POST") && request.getServletPath().equals("/sign-in");
                Duration wait = signsIn ? guesses.wait(named(request), request.getRemoteAddr()) : Duration.ZERO;
                if (wait.isZero()) {
                    chain.doFilter(request, response);
                } else {
                    response.sendRedirect("/sign-in?wait=" + (wait.toSeconds() + 1));
                }
            }
        };
    }

    /** The page is rendered before the header is written, so the nonce must be there first. */
    private static OncePerRequestFilter nonceFilter(ContentPolicy policy) {
        return new OncePerRequestFilter() {
            @Override
            protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                    throws IOException, ServletException {
                policy.nonce(request);
                chain.doFilter(request, response);
            }
        };
    }

    /** After the sign-in a person goes on to the page that was asked for, never to what a script fetched when the session was over. */
    private static RequestCache pagesAlone() {
        HttpSessionRequestCache cache = new HttpSessionRequestCache();
        cache.setRequestMatcher(request -> request.getMethod().equals("GET") && Optional.ofNullable(request.getHeader("Sec-Fetch-Mode"))
                .map("navigate"::equals)
                .orElseGet(() -> Optional.ofNullable(request.getHeader("Accept")).filter(accepts -> accepts.contains("text/html"))
                .isPresent()));
        return cache;
    }

    /** A script of a page is told; a page is led to the sign-in. */
    private static AuthenticationEntryPoint asksForSignInOrShowsIt(ProblemWords words) {
        AuthenticationEntryPoint shows = new LoginUrlAuthenticationEntryPoint("/sign-in");
        return (request, response, failure) -> {
            if ("fetch".equals(request.getHeader("X-Requested-With"))) {
                words.write(Problem.SIGN_IN_NEEDED, response);
            } else {
                shows.commence(request, response, failure);
            }
        };
    }

    private static AuthenticationEntryPoint asksForSignIn(ProblemWords words) {
        return (request, response, failure) -> words.write(Problem.SIGN_IN_NEEDED, response);
    }
}
