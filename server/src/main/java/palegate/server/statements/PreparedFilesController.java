package palegate.server.statements;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.OutputStream;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.statements.Recipe;
import palegate.core.statements.Rhythm;
import palegate.core.structure.Structure;
import palegate.exports.FileFormat;
import palegate.server.jobs.JobQueue;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.PreparedFileRecords;
import palegate.server.store.RegularStatementRecords;
import palegate.server.viewpoint.Viewpoints;

/** Files that are made in the background and wait for whoever asked for them, and statements that come by themselves. */
@RestController
@RequestMapping("/api/statements")
class PreparedFilesController {
  record ToPrepare(@NotNull(message = "Say what is asked.") @Size(max = 900, message = "A recipe has at most 900 characters.") String recipe, @NotNull(message = "Choose a kind of file.") FileFormat format, @MayBeMissing Instant at) {}

  /** @param id by which it is asked for, called off and thrown away */
  record PreparedFileId(long id) {}

  /**
   * A file, or how far it is.
   *
   * @param state waiting, in the making, ready, unchanged or failed
   * @param regular the name of the regular statement that it comes of
   * @param rowsExpected missing where that is not known beforehand
   * @param secondsLeft as it went so far; missing where that is not known
   * @param failure why it was not made
   */
  record PreparedFile(long id, String state, String title, String format, @MayBeMissing String regular, String recipe, long change, Instant at, Instant askedAt, @MayBeMissing Instant keptUntil, long rows, @MayBeMissing Long rowsExpected,
      @MayBeMissing Long secondsLeft, long bytes, @MayBeMissing String failure) {}

  record ToComeRegularly(@NotBlank(message = "Give it a name.") @Size(max = 120, message = "A name has at most 120 characters.") String name,
      @NotNull(message = "Say what is asked.") @Size(max = 900, message = "A recipe has at most 900 characters.") String recipe, @NotNull(message = "Choose a kind of file.") FileFormat format,
      @NotNull(message = "Choose weekly or monthly.") Rhythm.Every every, @Min(value = 1, message = "Days are counted from 1.") @Max(value = 31, message = "A month has at most 31 days.") int day, boolean onlyIfChanged) {}

  /** @param day 1 (Monday) to 7 of a week, or 1 to 31 of a month */
  record RegularStatement(long id, String name, String recipe, String format, String every, int day, boolean onlyIfChanged, Instant nextAt) {}

  private static final Logger LOG = LoggerFactory.getLogger(PreparedFilesController.class);
  private static final int AT_ONCE = 5;
  private static final int KEPT_AT_MOST = 50;
  private static final int REGULAR_AT_MOST = 20;

  private final PreparedFileRecords records;
  private final RegularStatementRecords regular;
  private final MadeStatements statements;
  private final FileMaking making;
  private final JobQueue queue;
  private final Viewpoints viewpoints;
  private final Clock clock;

  PreparedFilesController(PreparedFileRecords records, RegularStatementRecords regular, MadeStatements statements, FileMaking making, JobQueue queue, Viewpoints viewpoints, Clock clock) {
    this.records = records;
    this.regular = regular;
    this.statements = statements;
    this.making = making;
    this.queue = queue;
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  private static Recipe recipe(String text) {
    new Written().text("recipe", text).refuse("The statement cannot be made as it was asked for.");
    Recipe.Parsed parsed = Recipe.parse(text);
    if (parsed.recipe() == null) {
      throw Problem.faults("The statement cannot be made as it was asked for.", parsed.wrong().stream().map(one -> new Problem.Fault(one.key(), one.what(), one.remedy())).toList());
    }
    return parsed.recipe();
  }

  /** Asks for one, of the state as it is now: what is changed while it waits is not in it. */
  @PostMapping("/prepared")
  @ResponseStatus(HttpStatus.ACCEPTED)
  PreparedFileId prepare(@Valid @RequestBody ToPrepare asked, Principal who) {
    Recipe recipe = recipe(asked.recipe());
    MadeStatements.State state = statements.state(asked.at(), who.getName());
    long file = records.ask(who.getName(), null, recipe.text(), asked.format().name(), state.at(), state.change(), clock.instant(), AT_ONCE, KEPT_AT_MOST).orElseThrow(() -> Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many", "Too many files",
        "At most " + AT_ONCE + " files are under way at once, and " + KEPT_AT_MOST + " are kept. Wait for one of them, call one off, or throw some away."));
    try {
      queue.ask(PreparedFiles.NAME, Long.toString(file));
    } catch (RuntimeException later) {
      // It has been asked for: the upkeep finds it in no queue, and puts it there.
      LOG.warn("The prepared file {} waits for the upkeep", file, later);
    }
    return new PreparedFileId(file);
  }

  /** One's own, newest first. */
  @GetMapping("/prepared")
  List<PreparedFile> prepared(Principal who) {
    Map<Long, String> names = regular.of(who.getName()).stream().collect(Collectors.toMap(RegularStatementRecords.Regular::id, RegularStatementRecords.Regular::name));
    Instant now = clock.instant();
    Structure known = viewpoints.of(who.getName()).snapshot().structure();
    return records.of(who.getName()).stream().map(file -> new PreparedFile(file.id(), file.state().word(), title(file, known), file.format(), file.regular() == null ? null : names.get(file.regular()), file.recipe(), file.change(), file.at(), file.askedAt(),
        file.keptUntil(), file.rowsMade(), file.rowsExpected(), secondsLeft(file, now), file.bytes(), file.failure())).toList();
  }

  /** The title that a file was given says the name of what it is about: that may have been taken from whoever asked for it. */
  private static String title(PreparedFileRecords.Prepared file, Structure known) {
    Recipe recipe = Recipe.parse(file.recipe()).recipe();
    return recipe == null || recipe.isThere(known) ? file.title() : "About something that is not there any more";
  }

  private static Long secondsLeft(PreparedFileRecords.Prepared file, Instant now) {
    if (file.state() != PreparedFileRecords.State.IN_THE_MAKING || file.rowsExpected() == null || file.rowsMade() == 0) {
      return null;
    }
    double each = (double) Duration.between(file.begunAt(), now).toMillis() / file.rowsMade();
    return Math.max(0, Math.round(each * Math.max(0, file.rowsExpected() - file.rowsMade()) / 1_000));
  }

  /** Calls it off, or throws it away. */
  @DeleteMapping("/prepared/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable long id, Principal who) {
    if (!records.forget(who.getName(), id)) {
      throw Problem.notFound("prepared file", Long.toString(id));
    }
  }

  /** The file, to whoever asked for it, as long as they may still know all that it tells. */
  @GetMapping("/prepared/{id}/file")
  void file(@PathVariable long id, Principal who, HttpServletResponse response) throws IOException {
    PreparedFileRecords.Prepared file = records.find(who.getName(), id).orElseThrow(() -> Problem.notFound("prepared file", Long.toString(id)));
    if (file.state() != PreparedFileRecords.State.READY) {
      throw Problem.of(HttpStatus.CONFLICT, "not-ready", "Not ready", "The file is " + file.state().word() + ". Wait until it is ready.");
    }
    if (!file.knownDigest().equals(making.madeUnder(who.getName(), file.change(), recipe(file.recipe())))) {
      throw Problem.of(HttpStatus.CONFLICT, "made-under-other-duties", "Made under other duties", "What you may know has changed since the file was made. Throw it away and ask for it again.");
    }
    response.setContentType(FileFormat.valueOf(file.format()).mediaType());
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(file.fileName()).build().toString());
    response.setContentLengthLong(file.bytes());
    OutputStream out = response.getOutputStream();
    for (int number = 0; ; number++) {
      Optional<byte[]> part = records.part(id, number);
      if (part.isEmpty()) {
        // If it was thrown away meanwhile, its length tells whoever receives it that a part is missing.
        break;
      }
      out.write(PartsStream.inflated(part.get()));
    }
    out.flush();
  }

  /** One's own, by name. */
  @GetMapping("/regular")
  List<RegularStatement> regular(Principal who) {
    return regular.of(who.getName()).stream().map(one -> new RegularStatement(one.id(), one.name(), one.recipe(), one.format(), one.rhythm().every().word(), one.rhythm().day(), one.onlyIfChanged(), one.nextAt())).toList();
  }

  @PostMapping("/regular")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void comeRegularly(@Valid @RequestBody ToComeRegularly asked, Principal who) {
    new Written().name("name", asked.name()).refuse("The statement was not set to come regularly.");
    Recipe recipe = recipe(asked.recipe());
    if (asked.every() == Rhythm.Every.WEEK && asked.day() > 7) {
      throw Problem.faults("The statement was not set to come regularly.", List.of(new Problem.Fault("day", "A week has no day " + asked.day() + ".", "Choose 1 (Monday) to 7 (Sunday).")));
    }
    Instant now = clock.instant();
    Rhythm rhythm = new Rhythm(asked.every(), asked.day());
    if (!regular.keep(new RegularStatementRecords.Regular(0, who.getName(), asked.name().strip(), recipe.text(), asked.format().name(), rhythm, asked.onlyIfChanged(), rhythm.next(now)), now, REGULAR_AT_MOST)) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many", "Too many come regularly", REGULAR_AT_MOST + " statements come regularly already. End one of them first.");
    }
  }

  /** Ends it; the files that it gave stay. */
  @DeleteMapping("/regular/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(@PathVariable long id, Principal who) {
    if (!regular.forget(who.getName(), id)) {
      throw Problem.notFound("regular statement", Long.toString(id));
    }
  }
}
