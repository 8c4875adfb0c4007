package palegate.exports;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;

class CsvFileTest {
  @Test
  void a_long_file_is_written_by_whoever_asks_for_it_and_no_row_is_lost_or_turned() throws Exception {
    Thread asking = Thread.currentThread();
    ByteArrayOutputStream out = new ByteArrayOutputStream() {
      @Override
      public synchronized void write(byte[] bytes, int from, int length) {
        // A reader that is slow must hold up nobody but whoever asked.
        assertThat(Thread.currentThread()).isSameAs(asking);
        super.write(bytes, from, length);
      }
    };
    List<List<String>> rows = IntStream.range(0, 30_000).mapToObj(i -> List.of("row " + i, i % 3 == 0 ? "=1+1" : "a \"quoted\", cell", i % 1_000 == 0 ? "x".repeat(200_000) : "")).toList();
    CsvFile.write(new Sheet("n", "t", Map.of(), List.of(new Sheet.Column("a", "A", 9), new Sheet.Column("b", "B", 9), new Sheet.Column("c", "C", 9)), rows.stream()), out);
    List<CSVRecord> read = CSVFormat.RFC4180.parse(new StringReader(out.toString(StandardCharsets.UTF_8).substring(1))).getRecords();
    assertThat(read).hasSize(30_001);
    for (int i = 0; i < rows.size(); i += 7) {
      assertThat(read.get(i + 1).toList()).isEqualTo(rows.get(i).stream().map(Cells::neutral).toList());
    }
  }

  @Test
  void what_fails_while_rows_are_made_fails_the_file() {
    Stream<List<String>> broken = IntStream.range(0, 20_000).mapToObj(i -> {
      if (i == 15_000) {
        throw new IllegalStateException("the row cannot be made");
      }
      return List.of("row " + i);
    });
    assertThatThrownBy(() -> CsvFile.write(new Sheet("n", "t", Map.of(), List.of(new Sheet.Column("a", "A", 9)), broken), OutputStream.nullOutputStream())).hasMessage("the row cannot be made");
    assertThatThrownBy(() -> CsvFile.write(new Sheet("n", "t", Map.of(), List.of(new Sheet.Column("a", "A", 9)), IntStream.range(0, 20_000).mapToObj(i -> List.of("row " + i))), new OutputStream() {
      @Override
      public void write(int one) throws IOException {
        throw new IOException("no room");
      }
    })).isInstanceOf(IOException.class).hasMessage("no room");
  }
}
