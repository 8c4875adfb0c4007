package palegate.demo;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import palegate.core.places.Place;

/** What stands in the demo's documents: some paragraphs in the manner of their type, the same for the same document. */
public final class Writing {
  private static final Map<String, List<String>> BY_TYPE = Map.ofEntries(
      Map.entry("survey", List.of("We attended on board alongside the %s quay in the presence of the master and the chief officer.",
          "The shell plating between frames %d and %d was found set in, with the internals tripped and the coating gone over an area of about %d square metres.",
          "No water was found in the double bottom; the bilge of hold %d had been pumped dry before our arrival.",
          "Soundings taken on %s agree with the deck log to within %d centimetres.", "In our opinion the damage is consistent with contact with a soft bottom at low speed.",
          "Temporary repairs were agreed: a doubler over the worst of it, to be cropped and renewed at the next docking.")),
      Map.entry("letter", List.of("We refer to your message of %s and to the telephone conversation with our office in %s.",
          "Please let us have the stowage plan, the mate's receipts and the log for the %d days before the casualty.",
          "We hold security for the cargo in hold %d; for the rest we await the guarantees of the insurers.", "Nothing in this letter is an admission by or on behalf of our principals.",
          "Our surveyor can attend from %s onwards at two days' notice.", "We should be grateful for your answer within %d days.")),
      Map.entry("valuation", List.of("Valued as sound at the port of destination on the last day of discharge.",
          "The market for this grade stood at between %d and %d a tonne in the week of arrival.", "An allowance of %d per cent has been made for wetting; the remainder is taken as sound.",
          "Of the %d packages landed, %d were found short or broken and are valued at scrap.", "The contributory value is the arrived value less freight at risk and the charges of sorting.")),
      Map.entry("statement", List.of("The sacrifice and the expenditure set out below were made for the common safety, and fall to be made good by all interests saved.",
          "The rate of contribution comes to %d.%d per cent.", "Interest is allowed at the agreed rate until three months after the date of this statement.",
          "Towage from the anchorage to %s is charged in full; the standing-by of the second tug for %d hours is not.", "Any interest dissatisfied with an item may ask for the vouchers at our office.")),
      Map.entry("fee", List.of("For attendance, correspondence and the drawing up of papers in the above matter.", "Hours of partners: %d. Hours of adjusters: %d.",
          "Disbursements: launch hire at %s, photographs, translation.", "Payment within %d days, please, quoting our number.")),
      Map.entry("certificate", List.of("This is to certify that the ship named above has been surveyed in accordance with the rules.", "The certificate is valid until the date shown, subject to the annual surveys.",
          "Freeboard from the deck line: %d millimetres.", "Issued at %s.")),
      Map.entry("minute", List.of("Present: the partners and the head of accounts. Apologies: one.", "The minutes of the last meeting were agreed.",
          "It was resolved to keep the office in %s for another %d years.", "The fees outstanding for more than %d days were gone through one by one.", "There being no other business the meeting closed.")),
      Map.entry("policy", List.of("This note says how we do it, and why. Whoever finds a better way tells the office.", "Nobody sends the papers of a case to anyone outside before the partner has read them.",
          "Papers of a closed case are kept for %d years and then looked through.", "Questions go to the office in %s.")),
      Map.entry("dive", List.of("In the water at slack tide, visibility %d metres, current slight.", "Swam the port side from aft to forward; weed on the bilge keel, no tears seen.",
          "Found a dent abreast of hold %d, as deep as a hand and as long as two men.", "Bottom time %d minutes. All gear recovered.")),
      Map.entry("manifest", List.of("Shipped in apparent good order and condition at %s.", "Marks and numbers as per the bills; %d packages in hold %d.", "Gross weight said to be %d tonnes.", "Freight prepaid.")),
      Map.entry("photos", List.of("Frame %d: damage seen from the quay. Frame %d: the same from inside the hold.", "Taken at %s in overcast light, with a scale of half a metre.", "Originals are kept with the camera's card.")));
  private static final List<String> ANY = List.of("This paper belongs to the file named above and is kept with it.", "Read and put in its place by the office in %s.",
      "Remarks: none that matter. See the papers before it for how it came about.", "Checked against the register; %d entries, all accounted for.");
  private static final List<String> PORTS = List.of("Sallowpoint", "Grent Harbour", "Isle Marrow", "Outer Banks", "Sallow Sound");
  private static final int SENTENCES_AT_LEAST = 5;

  private Writing() {}

  /** Filed where it is by mistake: of another case, as its first line says. */
  private static final Map<String, String> OF_ANOTHER_CASE = Map.of("d-10379", "In the matter of C-2607, Kittiwake");
  /** The same paper a second time, elsewhere: of which document it is a copy. */
  private static final Map<String, String> COPIES = Map.of("d-10785", "d-10355");

  /** Of which document a document is a copy; itself if it is none. */
  public static String original(String document) {
    return COPIES.getOrDefault(document, document);
  }

  /** A heading, the file it belongs to, and some sentences: a line each. O(1). */
  public static List<String> of(Place document, String folder) {
    Random random = new Random(document.id().hashCode() * 31L + 7);
    List<String> lines = new ArrayList<>();
    lines.add(document.name().replaceAll("\\.\\w+$", ""));
    lines.add("Sallowpoint Adjusting. " + OF_ANOTHER_CASE.getOrDefault(document.id(), "File: " + folder));
    new TreeMap<>(document.labels()).forEach((field, value) -> lines.add(field + ": " + value));
    lines.add("");
    List<String> sentences = new ArrayList<>(document.type() == null ? ANY : BY_TYPE.getOrDefault(document.type(), ANY));
    Collections.shuffle(sentences, random);
    for (int i = 0; i < SENTENCES_AT_LEAST + random.nextInt(4); i++) {
      lines.add(filled(sentences.get(i % sentences.size()), random));
    }
    return lines;
  }

  private static String filled(String sentence, Random random) {
    StringBuilder filled = new StringBuilder();
    for (int i = 0; i < sentence.length(); i++) {
      if (sentence.charAt(i) != '%' || i + 1 == sentence.length()) {
        filled.append(sentence.charAt(i));
      } else {
        filled.append(sentence.charAt(++i) == 'd' ? Integer.toString(2 + random.nextInt(70)) : PORTS.get(random.nextInt(PORTS.size())));
      }
    }
    return filled.toString();
  }
}
