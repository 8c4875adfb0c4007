package palegate.core.asking;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import java.util.stream.Stream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import palegate.core.roles.Right;

class QuestionReaderTest {
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 28);

  private static List<String[]> phrasings() throws IOException {
    String text = new String(Objects.requireNonNull(QuestionReaderTest.class.getResourceAsStream("phrasings.txt")).readAllBytes(), StandardCharsets.UTF_8);
    return text.lines().filter(line -> !line.startsWith("#")).map(line -> line.split(" ?=> ", 2)).toList();
  }

  private static String said(Right right) {
    return right == null ? "any" : right.word();
  }

  private static String said(LocalDate day, String none) {
    return day == null ? none : day.toString();
  }

  private static String meaning(Question question) {
    if (question instanceof Question.Can can) {
      return String.join("|", "Can", can.person(), said(can.right()), can.place(), said(can.day(), "now"));
    }
    if (question instanceof Question.WhoCan who) {
      return String.join("|", "WhoCan", said(who.right()), who.place(), said(who.day(), "now"));
    }
    if (question instanceof Question.WhatCan what) {
      return String.join("|", "WhatCan", what.subject(), said(what.right()), said(what.day(), "now"));
    }
    if (question instanceof Question.WhatChanged changed) {
      return String.join("|", "WhatChanged", changed.thing(), said(changed.since(), "ever"));
    }
    if (question instanceof Question.WhoBehind behind) {
      return "WhoBehind|" + behind.wall();
    }
    Question.WhatTakes takes = (Question.WhatTakes) question;
    return String.join("|", "WhatTakes", takes.person(), said(takes.right()), takes.place());
  }

  @Test
  void two_hundred_phrasings_mean_what_they_say() throws IOException {
    SoftAssertions all = new SoftAssertions();
    List<String[]> phrasings = phrasings();
    phrasings.forEach(one -> all.assertThat(QuestionReader.read(one[0], TODAY).map(QuestionReaderTest::meaning).orElse("nothing")).as(one[0]).isEqualTo(one[1]));
    all.assertAll();
    assertThat(phrasings.size()).isGreaterThanOrEqualTo(200);
  }

  @Test
  void no_text_is_too_odd_to_be_read_or_refused_in_good_time() {
    long seed = 20_261_128;
    Random random = new Random(seed);
    List<String> words = Stream.of("can", "why", "who", "what", "to", "in", "on", "the", "wall", "read", "3", "March", "since", "0", "99999999999", "changed", "could", "0000-00-00", "2026-99-99", "?", "“", "'", "\\", "C-2406", "is", "behind", "for", "\u0000", "🚢", "take").toList();
    for (int i = 0; i < 5_000; i++) {
      StringBuilder text = new StringBuilder();
      for (int word = random.nextInt(40); word >= 0; word--) {
        text.append(words.get(random.nextInt(words.size()))).append(' ');
      }
      assertThat(QuestionReader.read(text.toString(), TODAY)).as("seed %d: %s", seed, text).isNotNull();
    }
  }
}
