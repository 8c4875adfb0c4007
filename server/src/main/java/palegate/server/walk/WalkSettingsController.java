package palegate.server.walk;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.store.WalkRecords;

/** Whether somebody is told by a letter when another walks as them. Whoever walks reads it before they begin; {@code system} decides it. */
@RestController
@RequestMapping("/api/walk-settings")
class WalkSettingsController {
  record TellingView(boolean tells, @MayBeMissing String by, @MayBeMissing Instant at) {}

  record Tell(@NotNull(message = "Say whether they are told.") Boolean tells) {}

  private final WalkRecords records;
  private final Accounts accounts;
  private final Clock clock;

  WalkSettingsController(WalkRecords records, Accounts accounts, Clock clock) {
    this.records = records;
    this.accounts = accounts;
    this.clock = clock;
  }

  @GetMapping
  TellingView telling() {
    return records.telling().map(telling -> new TellingView(telling.tells(), telling.by(), telling.at())).orElse(new TellingView(false, null, null));
  }

  @PutMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void tell(@Valid @RequestBody Tell asked, Principal who) {
    records.tell(asked.tells(), who.getName(), accounts.nameOf(who.getName()), clock.instant());
  }
}
