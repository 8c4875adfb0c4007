package palegate.server.session;

import io.swagger.v3.oas.annotations.Parameter;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.duties.Duty;
import palegate.core.viewpoint.Asker;
import palegate.demo.Sallowpoint;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.store.RoundRecords;
import palegate.server.store.Snapshots;

/** Signing in and out. */
@RestController
@RequestMapping("/api/session")
class SessionController {
  record SignIn(
      @NotBlank(message = "Write your sign-in name.") @Size(max = 100, message = "A sign-in name has at most 100 characters.") String login,
      @NotBlank(message = "Write your password.") @Size(max = 200, message = "A password has at most 200 characters.") String password) {}

  record DemoSignIn(String login, String does, String tryFirst) {}

  /**
   * {@code account} is null if nobody is signed in; {@code change} is the newest change, by which an open page sees that
   * it is no longer up to date; {@code demo} is empty outside the demo.
   */
  record Session(@MayBeMissing SignedIn account, @MayBeMissing Long change, List<DemoSignIn> demo) {}

  /** {@code rooms} are those that the duties need, {@code mayDraft} tells whether there is a tray. {@code failedSince} counts what others, or oneself, tried wrongly since the last time; only the answer to signing in says it. */
  record SignedIn(String login, String name, @MayBeMissing String person, List<String> duties, List<String> rooms, boolean mayDraft, @MayBeMissing Integer failedSince) {}

  private final Accounts accounts;
  private final PasswordEncoder passwords;
  private final SecurityContextRepository contexts;
  private final SignInLimit limit;
  private final KnownDevices devices;
  private final CsrfTokenRepository tokens;
  private final ApplicationEventPublisher events;
  private final Snapshots snapshots;
  private final RoundRecords records;
  private final Clock clock;
  private final boolean demo;
  private final String nobodysHash;

  SessionController(Accounts accounts, PasswordEncoder passwords, SecurityContextRepository contexts, SignInLimit limit, KnownDevices devices,
      CsrfTokenRepository tokens, ApplicationEventPublisher events, Snapshots snapshots, RoundRecords records, Clock clock,
      @Value("${palegate.demo}") boolean demo) {
    this.accounts = accounts;
    this.passwords = passwords;
    this.contexts = contexts;
    this.limit = limit;
    this.devices = devices;
    this.tokens = tokens;
    this.events = events;
    this.snapshots = snapshots;
    this.records = records;
    this.clock = clock;
    this.demo = demo;
    nobodysHash = passwords.encode("nobody has this password");
  }

  @GetMapping
  Session session(Principal who, @Parameter(hidden = true) CsrfToken token) {
    // Asking for the token makes the filter send its cookie, which the first sign-in needs.
    token.getToken();
    Optional<SignedIn> account = who == null ? Optional.empty() : accounts.find(who.getName()).filter(found -> accounts.isOpen(found.login())).map(found -> signedIn(found, null));
    return new Session(account.orElse(null), account.isEmpty() ? null : snapshots.current().change(), demo ? demoSignIns() : List.of());
  }

  @PostMapping
  SignedIn signIn(@Valid @RequestBody SignIn body, HttpServletRequest request, HttpServletResponse response) {
    String login = Logins.canonical(body.login());
    SignInLimit.Attempt attempt = limit.attempt(login, request.getRemoteAddr(), devices.isKnown(login, request));
    if (attempt.secondsToWait() > 0) {
      response.setHeader("Retry-After", Long.toString(attempt.secondsToWait()));
      throw Problem.of(HttpStatus.TOO_MANY_REQUESTS, "too-many-attempts", "Too many attempts",
          "Wait " + attempt.secondsToWait() + " seconds and try again.");
    }
    Optional<Accounts.Account> account = accounts.find(login);
    // The same work is done for a name that does not exist, so that the time does not tell which do.
    boolean right = passwords.matches(body.password(), account.map(Accounts.Account::passwordHash).orElse(nobodysHash));
    if (account.isEmpty() || !right || !accounts.isOpen(login)) {
      throw Problem.of(HttpStatus.UNAUTHORIZED, "wrong-sign-in", "Not signed in", "The name or the password is not right.");
    }
    limit.succeeded(attempt);
    if (passwords.upgradeEncoding(account.get().passwordHash())) {
      accounts.changeHash(login, passwords.encode(body.password()));
    }
    devices.remember(login, request, response);
    Instant now = clock.instant();
    Instant before = accounts.signedIn(login, now);
    begin(login, now, request, response);
    return signedIn(account.get(), before == null ? 0 : limit.failedSince(login, before));
  }

  /** A session of its own for each signing in, and a new token against forged requests with it. */
  private void begin(String login, Instant now, HttpServletRequest request, HttpServletResponse response) {
    HttpSession old = request.getSession(false);
    if (old != null) {
      old.invalidate();
    }
    request.getSession(true).setAttribute(SessionEnds.SIGNED_IN_AT, now);
    SecurityContext context = SecurityContextHolder.createEmptyContext();
    context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(login, null, List.of()));
    SecurityContextHolder.setContext(context);
    contexts.saveContext(context, request, response);
    tokens.saveToken(tokens.generateToken(request), request, response);
  }

  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    if (session != null) {
      String id = session.getId();
      session.invalidate();
      events.publishEvent(new SignedOut(id));
    }
    SecurityContextHolder.clearContext();
  }

  private static List<DemoSignIn> demoSignIns() {
    return Sallowpoint.signIns().stream().map(signIn -> new DemoSignIn(signIn.login(), signIn.does(), signIn.tryFirst())).toList();
  }

  private SignedIn signedIn(Accounts.Account account, Integer failedSince) {
    Asker asker = accounts.asker(account.login());
    return new SignedIn(account.login(), account.name(), account.person(), asker.duties().stream().map(Duty::word).toList(), Rooms.of(asker, asker.id() != null && records.isReviewer(asker.id())),
        asker.holdsAny(Duty.changing()) || asker.governsAnything(), failedSince);
  }
}
