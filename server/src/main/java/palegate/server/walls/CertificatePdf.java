package palegate.server.walls;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.certificates.Certificate;
import palegate.exports.PdfFile;
import palegate.exports.Sheet;
import palegate.exports.StatementSheet;
import palegate.server.store.WallRecords;

/** A certificate on a page to be signed, for a file or a wall. */
final class CertificatePdf {
  private CertificatePdf() {}

  static byte[] of(WallRecords.Kept kept, Certificate certificate) throws IOException {
    Certificate.Proved proved = certificate.walls().get(0);
    Map<String, String> facts = new LinkedHashMap<>();
    facts.put("Wall", proved.name());
    facts.put("Proved for", StatementSheet.moment(proved.provedFor()) + (proved.planned() ? " (it did not stand yet)" : ""));
    facts.put("Made", StatementSheet.moment(kept.at()) + " by " + kept.author());
    facts.put("State", "change " + kept.change());
    facts.put("Pairs", String.format(Locale.UK, "%,d pairs of a barred person and a covered place, of these with any right: %,d", proved.pairs(), proved.leaks()));
    facts.put("Explained", String.format(Locale.UK, "%,d asked again by the explained stages, with any right: %,d; seed of their choice: %d", proved.explained(), proved.explainedLeaks(), proved.seed()));
    facts.put("Result", certificate.holds() ? "The wall holds: nobody whom it bars has any right on anything that it covers." : "The wall does not hold.");
    facts.put("Digest of the state", certificate.bundleDigest());
    facts.put("Digest of the wall's definition", proved.definition());
    facts.put("How to check it", "The same certificate as JSON can be checked against a bundle of that state with: palegate verify");
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    PdfFile.write(new Sheet("certificate", "Certificate of a wall", facts, List.of(), Stream.empty()), out);
    return out.toByteArray();
  }
}
