package palegate.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** What the pages of docs/ and the README lead to is there. */
class DocumentationTest {
  private static final Path TOP = Path.of("..");
  private static final Pattern LINK = Pattern.compile("\\]\\(([^)#\\s]+)(?:#[^)]*)?\\)");

  private static List<Path> files(String folder, String ending) throws IOException {
    try (Stream<Path> files = Files.list(TOP.resolve(folder))) {
      return files.filter(file -> file.toString().endsWith(ending)).sorted().toList();
    }
  }

  @Test
  void every_page_and_picture_that_is_linked_is_there() throws IOException {
    List<Path> pages = new ArrayList<>(files("docs", ".md"));
    pages.add(TOP.resolve("README.md"));
    int links = 0;
    for (Path page : pages) {
      for (Matcher found = LINK.matcher(Files.readString(page)); found.find();) {
        if (!found.group(1).contains(":")) {
          assertThat(page.resolveSibling(found.group(1))).as("linked from %s", page).exists();
          links++;
        }
      }
    }
    assertThat(links).isGreaterThan(30);
  }

  @Test
  void every_picture_is_shown_in_the_readme() throws IOException {
    String readme = Files.readString(TOP.resolve("README.md"));
    TreeSet<String> missing = new TreeSet<>();
    List<Path> pictures = files("docs/screenshots", ".png");
    pictures.stream().map(picture -> picture.getFileName().toString()).filter(name -> !readme.contains("docs/screenshots/" + name)).forEach(missing::add);
    assertThat(missing).isEmpty();
    assertThat(pictures).hasSizeBetween(10, 19);
  }
}
