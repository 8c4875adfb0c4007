package palegate.demo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;

/** Made-up names, each given once. */
final class Names {
  private static final List<String> FIRST = List.of(
      "Wenna", "Teodor", "Oriel", "Mia", "Ola", "Per", "Isolde", "Bram", "Hesper", "Joss", "Linnea", "Corin",
      "Marit", "Ansel", "Dagny", "Piers", "Rowena", "Silas", "Thea", "Ulric", "Verity", "Wystan", "Ylva", "Zelma",
      "Aldous", "Briony", "Caspar", "Delphine", "Edda", "Fenton", "Greer", "Halvard", "Ines", "Jory", "Kerensa", "Lorcan");
  private static final List<String> LAST = List.of(
      "Carrow", "Brask", "Fenn", "Torrance", "Lindqvist", "Halloran", "Penrose", "Aske", "Marlowe", "Trevanion", "Holm",
      "Dunmore", "Skerry", "Vance", "Quill", "Rasmund", "Selkirk", "Thorne", "Ulland", "Varley", "Wroth", "Ashdown",
      "Brandreth", "Crewe", "Dalby", "Eskdale", "Farrow", "Garth", "Hythe", "Ingleby", "Jarrold", "Kestle");

  private final Random random;
  private final Set<String> used = new HashSet<>();

  Names(Random random) {
    this.random = random;
  }

  String next() {
    String name;
    do {
      name = FIRST.get(random.nextInt(FIRST.size())) + " " + LAST.get(random.nextInt(LAST.size()));
    } while (!used.add(name));
    return name;
  }

  String given(String name) {
    used.add(name);
    return name;
  }

  <T> List<T> some(List<T> from, int count) {
    List<T> rest = new ArrayList<>(from);
    Collections.shuffle(rest, random);
    return List.copyOf(rest.subList(0, Math.min(count, rest.size())));
  }
}
