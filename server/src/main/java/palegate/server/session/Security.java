package palegate.server.session;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.authorization.AuthorizationDecision;
import org.springframework.security.authorization.AuthorizationManager;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.Authentication;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.access.intercept.RequestAuthorizationContext;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import palegate.core.duties.Duty;
import palegate.server.shell.Pages;
import palegate.server.shell.Problem;
import tools.jackson.databind.json.JsonMapper;

/** Who may ask what: nothing unless it is listed here. */
@Configuration
class Security {
  private static final String CONTENT_POLICY = "default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
      + "img-src 'self' data: blob:; frame-src blob:; font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

  private final JsonMapper json;

  Security(JsonMapper json) {
    this.json = json;
  }

  @Bean
  @Profile("!describe")
  SecurityFilterChain rules(HttpSecurity http, Accounts accounts, CsrfTokenRepository tokens) throws Exception {
    return http
        .csrf(csrf -> csrf.spa().csrfTokenRepository(tokens))
        .headers(headers -> headers
            .contentSecurityPolicy(policy -> policy.policyDirectives(CONTENT_POLICY))
            .referrerPolicy(policy -> policy.policy(ReferrerPolicy.SAME_ORIGIN)))
        .requestCache(cache -> cache.disable())
        .formLogin(form -> form.disable())
        .httpBasic(basic -> basic.disable())
        .logout(logout -> logout.disable())
        .exceptionHandling(errors -> errors
            .authenticationEntryPoint((request, response, failed) -> answer(response, HttpStatus.UNAUTHORIZED, "signed-out",
                "Not signed in", "Sign in and try again; your draft is kept."))
            .accessDeniedHandler((request, response, failed) -> answer(response, HttpStatus.FORBIDDEN, "not-allowed",
                "Not allowed", "Your duties do not cover this, or the page is out of date: reload it and try again.")))
        .authorizeHttpRequests(requests -> requests
            // What an answer goes on with later, and what is put into one that has begun, was allowed when it was asked for.
            .dispatcherTypeMatchers(DispatcherType.FORWARD, DispatcherType.ERROR, DispatcherType.ASYNC, DispatcherType.INCLUDE).permitAll()
            .requestMatchers(HttpMethod.GET, Pages.ADDRESSES).permitAll()
            .requestMatchers(HttpMethod.GET, "/index.html", "/favicon.svg", "/assets/**").permitAll()
            .requestMatchers("/api/session").permitAll()
            .requestMatchers(HttpMethod.POST, "/api/invitations/redemption").permitAll()
            .requestMatchers("/api/session/**", "/api/mailbox").access(signedIn(accounts))
            .requestMatchers(HttpMethod.POST, "/api/invitations").access(holding(accounts, Duty.PEOPLE))
            .requestMatchers(HttpMethod.GET, "/api/places/*/content", "/api/places/*/content/about").access(signedIn(accounts))
            .requestMatchers("/api/papers", "/api/papers/**", "/api/updates").access(signedIn(accounts))
            .requestMatchers("/api/reviews", "/api/reviews/**").access(signedIn(accounts))
            .requestMatchers("/api/notices", "/api/notices/*/acknowledgement").access(signedIn(accounts))
            .requestMatchers(HttpMethod.GET, "/api/rounds", "/api/rounds/**").access(holding(accounts, Duty.ROUNDS, Duty.AUDIT))
            .requestMatchers("/api/rounds", "/api/rounds/**").access(holding(accounts, Duty.ROUNDS))
            .requestMatchers(HttpMethod.PUT, "/api/walk-settings").access(holding(accounts, Duty.SYSTEM))
            .requestMatchers("/api/walk/**").access(holding(accounts, Duty.ACCESS, Duty.AUDIT, Duty.OVERSIGHT))
            .requestMatchers(HttpMethod.GET, "/api/**").access(administering(accounts))
            .requestMatchers(HttpMethod.POST, "/api/matrix/cells").access(administering(accounts))
            .requestMatchers(HttpMethod.POST, "/api/matrix/ways").access(changing(accounts))
            .requestMatchers(HttpMethod.POST, "/api/gatehouse/visit").access(administering(accounts))
            .requestMatchers("/api/matrix/views", "/api/matrix/views/*").access(administering(accounts))
            .requestMatchers("/api/findings/mining").access(administering(accounts))
            .requestMatchers("/api/findings/settings/limits", "/api/findings/settings/off/*").access(holding(accounts, Duty.SYSTEM))
            .requestMatchers("/api/findings/comments").access(holding(accounts, Duty.ACCESS, Duty.PEOPLE, Duty.WALLS, Duty.TYPES, Duty.AUDIT))
            .requestMatchers("/api/findings/acceptances", "/api/findings/assignment").access(holding(accounts, Duty.ACCESS, Duty.PEOPLE, Duty.WALLS, Duty.TYPES))
            .requestMatchers("/api/statements/verification", "/api/statements/comparison", "/api/statements/kept/**", "/api/statements/prepared", "/api/statements/prepared/*", "/api/statements/regular", "/api/statements/regular/*").access(administering(accounts))
            .requestMatchers("/api/draft/**", "/api/drafts/**").access(changing(accounts))
            .requestMatchers(HttpMethod.POST, "/api/people/matches", "/api/people/table", "/api/places/*/outline", "/api/types/conversion", "/api/journal/*/reversal")
            .access(changing(accounts))
            .requestMatchers(HttpMethod.PUT, "/api/places/*/content").access(signedIn(accounts))
            .requestMatchers(HttpMethod.POST, "/api/walls/description", "/api/walls/coverage", "/api/walls/*/gaps/dismissals", "/api/walls/*/notices", "/api/walls/*/notices/*/reminders").access(holding(accounts, Duty.WALLS))
            .requestMatchers("/api/walls/*/proofs", "/api/walls/*/proofs/under-way").access(holding(accounts, Duty.WALLS, Duty.AUDIT))
            .requestMatchers("/api/list-templates/**").access(holding(accounts, Duty.ACCESS))
            .anyRequest().denyAll())
        .build();
  }

  /** Only while the build writes the description of the interface: there is no database and no data then. */
  @Bean
  @Order(0)
  @Profile("describe")
  SecurityFilterChain descriptionOnly(HttpSecurity http) throws Exception {
    return http.authorizeHttpRequests(requests -> requests
        .requestMatchers(HttpMethod.GET, "/api/description").permitAll().anyRequest().denyAll()).build();
  }

  /** The page reads the token from its cookie, which no other site's page can send along. */
  @Bean
  CsrfTokenRepository tokens() {
    CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
    tokens.setCookieCustomizer(cookie -> cookie.sameSite("Strict"));
    return tokens;
  }

  /** Each step of strength doubles the work; 12 takes about a quarter of a second on a machine of today. */
  @Bean
  PasswordEncoder passwords(@Value("${palegate.password-strength:12}") int strength) {
    return new DelegatingPasswordEncoder("bcrypt", Map.of("bcrypt", new BCryptPasswordEncoder(strength)));
  }

  @Bean
  SecurityContextRepository contexts() {
    return new HttpSessionSecurityContextRepository();
  }

  private static AuthorizationManager<RequestAuthorizationContext> signedIn(Accounts accounts) {
    return allowing(accounts::isOpen);
  }

  private static AuthorizationManager<RequestAuthorizationContext> administering(Accounts accounts) {
    return allowing(login -> accounts.isOpen(login) && accounts.asker(login).mayComeIn());
  }

  /** Whoever holds a duty that changes something, or governs a place: what they may change where is decided for each draft. */
  private static AuthorizationManager<RequestAuthorizationContext> changing(Accounts accounts) {
    return allowing(login -> accounts.isOpen(login) && (accounts.holdsAny(login, Duty.changing()) || accounts.asker(login).governsAnything()));
  }

  /** Duties are read at every request, so that a duty taken away is gone at once. */
  private static AuthorizationManager<RequestAuthorizationContext> holding(Accounts accounts, Duty... wanted) {
    return allowing(login -> accounts.isOpen(login) && accounts.holdsAny(login, wanted));
  }

  private static AuthorizationManager<RequestAuthorizationContext> allowing(Predicate<String> login) {
    return (Supplier<? extends Authentication> who, RequestAuthorizationContext request) -> {
      Authentication signedIn = who.get();
      return new AuthorizationDecision(signedIn != null && signedIn.isAuthenticated() && !(signedIn instanceof AnonymousAuthenticationToken) && login.test(signedIn.getName()));
    };
  }

  private void answer(HttpServletResponse response, HttpStatus status, String code, String title, String detail) throws IOException {
    ProblemDetail body = Problem.of(status, code, title, detail).getBody();
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(json.writeValueAsBytes(body));
  }
}
