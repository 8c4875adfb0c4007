package palegate.server.session;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpStatus;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.duties.Duty;
import palegate.server.shell.Problem;

/** Invitations, passwords and sessions. */
@RestController
class AccountController {
  private static final int LETTERS_AT_MOST = 100;

  record Invitation(@NotBlank(message = "Name a person.") @Size(max = 64, message = "An id has at most 64 characters.") String person) {}

  record Invited(Instant until) {}

  record Redemption(@NotBlank(message = "Send the word of the address.") @Size(max = 100, message = "The word of the address has at most 100 characters.") String token,
      @NotBlank(message = "Choose a password.") @Size(max = 200, message = "A password has at most 200 characters.") String password) {}

  record NewPassword(@NotBlank(message = "Write your present password.") @Size(max = 200, message = "A password has at most 200 characters.") String present,
      @NotBlank(message = "Choose a password.") @Size(max = 200, message = "A password has at most 200 characters.") String password) {}

  private final Invitations invitations;
  private final Sessions sessions;
  private final Accounts accounts;
  private final Mailbox mailbox;
  private final PasswordEncoder passwords;
  private final SignInLimit limit;
  private final boolean demo;

  AccountController(Invitations invitations, Sessions sessions, Accounts accounts, Mailbox mailbox, PasswordEncoder passwords, SignInLimit limit, @Value("${palegate.demo}") boolean demo) {
    this.invitations = invitations;
    this.sessions = sessions;
    this.accounts = accounts;
    this.mailbox = mailbox;
    this.passwords = passwords;
    this.limit = limit;
    this.demo = demo;
  }

  @PostMapping("/api/invitations")
  @ResponseStatus(HttpStatus.CREATED)
  Invited invite(@Valid @RequestBody Invitation body, Principal who, HttpServletRequest request) {
    return new Invited(invitations.invite(who.getName(), body.person(), request.getScheme() + "://" + request.getServerName() + ":" + request.getServerPort()));
  }

  @PostMapping("/api/invitations/redemption")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void redeem(@Valid @RequestBody Redemption body) {
    invitations.redeem(body.token(), body.password());
  }

  /** What would have been sent, newest first: in the demo for everybody who sets it up, else for holders of the duty system. */
  @GetMapping("/api/mailbox")
  List<Mailbox.Letter> letters(Principal who) {
    if (!demo && !accounts.holdsAny(who.getName(), Duty.SYSTEM)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "not-allowed", "Not allowed", "The mailbox that stands in for a mail server is for holders of the duty [system].");
    }
    return mailbox.newest(LETTERS_AT_MOST);
  }

  @PostMapping("/api/session/password")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void changePassword(@Valid @RequestBody NewPassword body, Principal who, HttpServletRequest request) {
    Accounts.Account account = accounts.find(who.getName()).orElseThrow();
    // Who sits at somebody else's session guesses no faster than at the sign-in.
    SignInLimit.Attempt attempt = limit.attempt(who.getName(), request.getRemoteAddr(), true);
    if (attempt.secondsToWait() > 0) {
      throw Problem.of(HttpStatus.TOO_MANY_REQUESTS, "too-many-attempts", "Too many attempts", "Wait " + attempt.secondsToWait() + " seconds and try again.");
    }
    if (!passwords.matches(body.present(), account.passwordHash())) {
      throw Problem.of(HttpStatus.FORBIDDEN, "wrong-password", "Not changed", "The present password is not right.");
    }
    limit.succeeded(attempt);
    Passwords.refuseWeak(body.password(), account);
    accounts.changeHash(who.getName(), passwords.encode(body.password()));
    sessions.endOthers(who.getName(), request.getSession().getId());
  }

  @GetMapping("/api/session/all")
  List<Sessions.OwnSession> all(Principal who, HttpServletRequest request) {
    return sessions.of(who.getName(), request.getSession().getId());
  }

  @DeleteMapping("/api/session/all/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(@PathVariable String id, Principal who) {
    sessions.end(who.getName(), id);
  }

  @DeleteMapping("/api/session/all")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void endOthers(Principal who, HttpServletRequest request) {
    sessions.endOthers(who.getName(), request.getSession().getId());
  }
}
