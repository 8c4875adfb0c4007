package palegate.core.asking;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.snapshot.Snapshot;

/**
 * How a question that is being typed may go on: by the next words of its form, by a right, or by the name of something known. Each
 * proposal is the whole text up to there; it ends with a blank if there is more to come.
 */
public final class Completion {
  /** So many are proposed at most. */
  public static final int PROPOSED_AT_MOST = 8;
  /** A longer text is no question that somebody is still typing. */
  private static final int LETTERS_AT_MOST = 300;
  /** So often a right may stand in a name: each is looked up among all names. */
  private static final int ENDS_OF_A_NAME_AT_MOST = 4;

  /** A part of a question's form. */
  private sealed interface Part {}

  /** Words that are typed as they are. */
  private record Words(String text) implements Part {}

  /** One of the rights. */
  private record ARight() implements Part {}

  /** The name of something. */
  private record AName(What what) implements Part {}

  private enum What {
    PERSON, SUBJECT, PLACE, THING, WALL
  }

  private static final List<String> RIGHTS = List.of("find", "read", "copy", "add to", "describe", "revise", "delete", "share", "govern", "reach");

  /** The forms of docs/questions.md, each in one way of saying it. */
  private static final List<List<Part>> FORMS = List.of(
      List.of(new Words("can"), new AName(What.PERSON), new ARight(), new AName(What.PLACE)),
      List.of(new Words("why can’t"), new AName(What.PERSON), new ARight(), new AName(What.PLACE)),
      List.of(new Words("who can"), new ARight(), new AName(What.PLACE)),
      List.of(new Words("who has access to"), new AName(What.PLACE)),
      List.of(new Words("who is behind the wall"), new AName(What.WALL)),
      List.of(new Words("what can"), new AName(What.SUBJECT), new ARight()),
      List.of(new Words("what changed for"), new AName(What.THING)),
      List.of(new Words("what would it take for"), new AName(What.PERSON), new Words("to"), new ARight(), new AName(What.PLACE)));

  private final Snapshot known;
  private final Set<String> proposed = new LinkedHashSet<>();

  private Completion(Snapshot known) {
    this.known = known;
  }

  /** In the order of the forms, then of the names; nothing for what is the beginning of no question. O(names known) a name that is typed. */
  public static List<String> of(String text, Snapshot known) {
    String typed = text.stripLeading().replaceAll("\\s+", " ");
    if (typed.isEmpty() || typed.length() > LETTERS_AT_MOST) {
      return List.of();
    }
    Completion completion = new Completion(known);
    FORMS.forEach(form -> completion.goOn("", typed, form, 0));
    return completion.proposed.stream().filter(one -> !one.equals(typed)).limit(PROPOSED_AT_MOST).toList();
  }

  /** What is done stands as it will be proposed; the rest is what was typed after it. */
  private void goOn(String done, String rest, List<Part> form, int at) {
    if (at == form.size() || proposed.size() > PROPOSED_AT_MOST) {
      return;
    }
    if (form.get(at) instanceof AName name) {
      named(done, rest, name.what(), form, at);
    } else {
      oneOf(done, rest, form.get(at) instanceof Words words ? List.of(words.text()) : RIGHTS, form, at);
    }
  }

  private void oneOf(String done, String rest, Collection<String> words, List<Part> form, int at) {
    for (String word : words) {
      if (isAlike(rest, word + " ", word.length() + 1)) {
        goOn(done + word + " ", rest.substring(word.length() + 1), form, at + 1);
      } else if (isAlike(rest, word, rest.length())) {
        proposed.add(done + word + (at + 1 < form.size() ? " " : ""));
      }
    }
  }

  private void named(String done, String rest, What what, List<Part> form, int at) {
    if (at + 1 < form.size()) {
      // A name may have the next words in it: the first places where they stand are tried.
      int tried = 0;
      for (int blank = rest.indexOf(' '); blank > 0 && tried < ENDS_OF_A_NAME_AT_MOST; blank = rest.indexOf(' ', blank + 1)) {
        String name = rest.substring(0, blank);
        if (begins(form.get(at + 1), rest.substring(blank + 1))) {
          tried++;
          if (!find(what, name).isEmpty()) {
            goOn(done + name + " ", rest.substring(blank + 1), form, at + 1);
          }
        }
      }
    }
    if (rest.isBlank()) {
      return;
    }
    List<Named> found = find(what, rest.strip());
    Map<String, Long> called = found.stream().collect(Collectors.groupingBy(Named::name, Collectors.counting()));
    for (Named one : found) {
      if (at + 1 < form.size() && one.name().equalsIgnoreCase(rest.strip())) {
        goOn(done + one.name() + " ", "", form, at + 1);
        continue;
      }
      proposed.add(done + (called.get(one.name()) == 1 || !one.kind().equals("place") ? one.name() : one.name() + above(one)) + (at + 1 < form.size() ? " " : ""));
    }
  }

  /** Whether a text begins with what comes next, or could still. */
  private static boolean begins(Part next, String text) {
    return (next instanceof Words words ? Stream.of(words.text()) : RIGHTS.stream()).anyMatch(word -> isAlike(text, word + " ", word.length() + 1) || isAlike(text, word, text.length()));
  }

  /** Whether the first letters of a typed text are those of some words, in capitals or not and with either apostrophe. */
  private static boolean isAlike(String typed, String words, int letters) {
    if (typed.length() < letters || words.length() < letters) {
      return false;
    }
    for (int i = 0; i < letters; i++) {
      char wanted = words.charAt(i);
      if (Character.toLowerCase(typed.charAt(i)) != wanted && !(wanted == '’' && typed.charAt(i) == '\'')) {
        return false;
      }
    }
    return true;
  }

  private List<Named> find(What what, String name) {
    Function<String, List<Named>> places = text -> Named.places(known, text);
    return switch (what) {
      case PERSON -> Named.people(known, name);
      case SUBJECT -> Named.subjects(known, name);
      case WALL -> Named.walls(known, name);
      case PLACE -> places.apply(name);
      case THING -> {
        List<Named> things = new ArrayList<>(Named.subjects(known, name).stream().filter(one -> !one.kind().equals("builtin")).limit(PROPOSED_AT_MOST / 2).toList());
        things.addAll(places.apply(name));
        yield things;
      }
    };
  }

  /** Where it lies, to tell it from others of its name. */
  private String above(Named place) {
    int parent = known.parent(known.placeNumber(place.id()));
    return parent < 0 ? "" : " in " + known.place(parent).name();
  }
}
