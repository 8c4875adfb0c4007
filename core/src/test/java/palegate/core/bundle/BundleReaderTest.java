package palegate.core.bundle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.ByteArrayOutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import palegate.core.Harbour;
import palegate.core.random.RandomStructures;
import palegate.core.structure.Structure;

class BundleReaderTest {
  private static final String ROOT = "{\"id\":\"root\",\"kind\":\"repository\",\"name\":\"R\"}";

  private static List<Fault> faults(byte[] bytes) {
    InvalidBundle invalid = catchThrowableOfType(InvalidBundle.class, () -> BundleReader.read(bytes));
    assertThat(invalid).as("the bundle should be refused").isNotNull();
    return invalid.faults();
  }

  /** The faults of a bundle with these members beside format and version; quotes are written as '. */
  private static List<Fault> faultsOf(String members) {
    return faults(bundle(members));
  }

  private static byte[] bundle(String members) {
    return ("{\"format\":\"pale-gate-bundle\",\"version\":1" + (members.isEmpty() ? "" : ",") + members.replace('\'', '"') + "}")
        .getBytes(StandardCharsets.UTF_8);
  }

  @Nested
  class RoundTrip {
    @Test
    void what_is_written_reads_back_the_same() throws Exception {
      for (long seed = 1; seed <= 200; seed++) {
        Structure structure = RandomStructures.fromSeed(seed);
        assertThat(BundleReader.read(written(structure)).structure()).as("seed %d", seed).isEqualTo(structure);
      }
      assertThat(BundleReader.read(written(Harbour.structure())).structure()).isEqualTo(Harbour.structure());
    }

    @Test
    void the_same_structure_gives_the_same_bytes() {
      assertThat(written(Harbour.structure())).isEqualTo(written(Harbour.structure()));
    }

    private byte[] written(Structure structure) {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      BundleWriter.write(structure, out);
      return out.toByteArray();
    }
  }

  @Nested
  class Defaults {
    @Test
    void lists_may_be_left_out_and_a_byte_order_mark_is_passed_over() throws Exception {
      assertThat(BundleReader.read(bundle("")).structure().people()).isEmpty();
      byte[] marked = ("\uFEFF" + new String(bundle(""), StandardCharsets.UTF_8)).getBytes(StandardCharsets.UTF_8);
      assertThat(BundleReader.read(marked).structure().places()).isEmpty();
    }

    @Test
    void a_role_is_completed_and_the_reader_says_so() throws Exception {
      BundleReader.Read read = BundleReader.read(bundle("'roles':[{'id':'r','name':'R','rights':['share']}]"));
      assertThat(read.structure().roles().get("r").rights()).hasToString("find read share");
      assertThat(read.completed()).singleElement().asString().contains("[r]", "find read");
    }

    @Test
    void an_empty_label_text_is_no_value() throws Exception {
      Structure read = BundleReader.read(bundle("'places':[{'id':'root','kind':'repository','name':'R','labels':{'case':'','year':'2026'}}]")).structure();
      assertThat(read.places().get("root").labels()).containsOnlyKeys("year");
    }
  }

  @Nested
  class Faults {
    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {
        "'people':[{'id':'p','name':'P','unit':'u'}] | /people/0/unit | no [u]",
        "'people':[{'id':'p','name':'P','colour':'red'}] | /people/0/colour | unknown",
        "'people':[{'id':'p','name':'P'},{'id':'p','name':'Q'}] | /people/1/id | twice",
        "'people':[{'id':'p'}] | /people/0 | [name] is missing",
        "'people':[{'id':'a b','name':'P'}] | /people/0/id | not one that can be kept",
        "'people':[{'id':'p','name':'P','active':'yes'}] | /people/0/active | not of the right kind",
        "'roles':[{'id':'r','name':'R','rights':['write']}] | /roles/0/rights/0 | not allowed",
        "'groups':[{'id':'g','name':'G','members':[{'group':'h'}]}] | /groups/0/members/0/group | no [h]",
        "'groups':[{'id':'g','name':'G','members':[{}]}] | /groups/0/members/0 | exactly one",
        "'places':[{'id':'l','kind':'library','name':'L'}] | /places | no repository",
        "'groups':[{'id':'g','name':'G','members':[{'group':'g','from':'2026-02-30T00:00:00Z'}]}] | /groups/0/members/0/from | does not exist",
        "'groups':[{'id':'g','name':'G','members':[{'group':'g','from':'2026-02-03'}]}] | /groups/0/members/0/from | not an instant",
        "'groups':[{'id':'g','name':'G','members':[{'group':'g','from':'2026-02-03T00:00:00Z','until':'2026-02-03T00:00:00Z'}]}] | /groups/0/members/0/until | not after",
    })
    void are_named_with_pointer_and_reason(String members, String pointer, String what) {
      String reason = what.equals("does not exist") ? "not a day or time that exists" : what;
      assertThat(faultsOf(members)).anySatisfy(fault -> {
        assertThat(fault.pointer()).isEqualTo(pointer);
        assertThat(fault.what()).contains(reason);
        assertThat(fault.remedy()).isNotBlank();
      });
    }

    @Test
    void of_every_kind_come_together_in_one_answer() {
      List<Fault> faults = faultsOf("'people':[{'id':'p','name':'P','unit':'x','shoe':1}],"
          + "'groups':[{'id':'g','name':'G','members':[{'group':'h'}]},{'id':'h','name':'H','members':[{'group':'g'}]}],"
          + "'places':[" + ROOT + ",{'id':'two','kind':'repository','name':'T'},"
          + "{'id':'l1','kind':'link','parent':'root','name':'A','target':'l2'},{'id':'l2','kind':'link','parent':'root','name':'B','target':'root'},"
          + "{'id':'a','kind':'folder','parent':'b','name':'A'},{'id':'b','kind':'folder','parent':'a','name':'B'}],"
          + "'grants':[{'id':'e','place':'nowhere','subject':{'builtin':'staff'},'role':'r','types':[]}],'extra':1");
      assertThat(faults).extracting(Fault::pointer).contains("/people/0/unit", "/people/0/shoe", "/groups/0", "/places/1",
          "/places/2/target", "/places/4", "/grants/0/place", "/grants/0/role", "/grants/0/types", "/extra");
    }

    @Test
    void a_cycle_of_groups_is_named_whatever_its_dates() {
      assertThat(faultsOf("'groups':[{'id':'a','name':'A','members':[{'group':'b','until':'2001-01-01T00:00:00Z'}]},"
          + "{'id':'b','name':'B','members':[{'group':'a','from':'2030-01-01T00:00:00Z'}]}]"))
          .singleElement().satisfies(fault -> assertThat(fault.what()).contains("a → b → a"));
    }

    @Test
    void overlapping_memberships_of_one_member_are_refused_and_following_ones_are_not() throws Exception {
      String people = "'people':[{'id':'p','name':'P'}],";
      assertThat(faultsOf(people + "'groups':[{'id':'g','name':'G','members':[{'person':'p','until':'2026-02-01T00:00:00Z'},{'person':'p','from':'2026-01-01T00:00:00Z'}]}]"))
          .singleElement().satisfies(fault -> assertThat(fault.what()).contains("overlapping"));
      BundleReader.read(bundle(people + "'groups':[{'id':'g','name':'G','members':[{'person':'p','until':'2026-02-01T00:00:00Z'},{'person':'p','from':'2026-02-01T00:00:00Z'}]}]"));
    }

    @Test
    void a_key_that_stands_twice_is_refused() {
      assertThat(faultsOf("'units':[{'id':'u','name':'A','name':'B'}]"))
          .singleElement().satisfies(fault -> assertThat(fault.pointer()).isEqualTo("/units/0/name"));
    }

    @Test
    void a_subject_names_exactly_one() {
      assertThat(faultsOf("'places':[" + ROOT + "],'people':[{'id':'p','name':'P'}],'roles':[{'id':'r','name':'R','rights':[]}],"
          + "'grants':[{'id':'e','place':'root','role':'r','subject':{'person':'p','builtin':'staff'}},{'id':'f','place':'root','role':'r','subject':{}}]"))
          .extracting(Fault::pointer).containsExactly("/grants/0/subject", "/grants/1/subject");
    }
  }

  @Nested
  class WallsAndGuards {
    private static final String ONE = "'roles':[{'id':'r','name':'R','rights':['find']}],'people':[{'id':'p','name':'P'}],'places':[" + ROOT
        + ",{'id':'l','kind':'library','parent':'root','name':'L'},{'id':'d','kind':'document','parent':'l','name':'D'%s}],";

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "'walls':[{'id':'w','name':'W','kind':'screen','scope':{},'subjects':[{'builtin':'staff'}]}] | /walls/0/scope",
        "'walls':[{'id':'w','name':'W','kind':'screen','scope':{'types':[]},'subjects':[{'builtin':'staff'}]}] | /walls/0/scope/types",
        "'walls':[{'id':'w','name':'W','kind':'seal','scope':{'labels':{'case':[]}},'subjects':[{'builtin':'staff'}]}] | /walls/0/scope/labels/case",
        "'walls':[{'id':'w','name':'W','kind':'seal','scope':{'places':['x']},'subjects':[{'builtin':'staff'}]}] | /walls/0/scope/places/0",
        "'walls':[{'id':'w','name':'W','kind':'confine','scope':{'places':['l']},'subjects':[]}] | /walls/0/subjects",
        "'walls':[{'id':'w','name':'W','kind':'screen','scope':{'places':['l']},'subjects':[{'group':'g'}]}] | /walls/0/subjects/0/group",
        "'walls':[{'id':'w','name':'W','kind':'sides','sides':[{'name':'A','subjects':[{'person':'p'}],'scope':{'places':['l']}}]}] | /walls/0/sides",
        "'walls':[{'id':'w','name':'W','kind':'screen','scope':{'places':['l']},'subjects':[{'person':'p'}],'exceptions':[{'subject':{'person':'p'},'until':'2026-02-30T00:00:00Z'}]}] | /walls/0/exceptions/0/until",
        "'types':[{'id':'t','name':'T','clearances':[{'subject':{'person':'q'},'role':'r'}]}] | /types/0/clearances/0/subject/person",
        "'oversights':[{'id':'o','place':'x','subject':{'person':'p'}}] | /oversights/0/place",
        "'oversights':[{'id':'o','place':'l','subject':{'person':'p'},'from':'2026-02-01T00:00:00Z','until':'2026-02-01T00:00:00Z'}] | /oversights/0/until"})
    void a_fault_is_found_where_it_is(String members, String pointer) {
      assertThat(faultsOf(ONE.formatted("") + members)).extracting(Fault::pointer).containsOnly(pointer);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '~', value = {
        "'conditions':{'checkedOutBy':'nobody'} | /places/2/conditions/checkedOutBy",
        "'conditions':{'checkedOutBy':'p','checkedOutAt':'2026-02-30T00:00:00Z'} | /places/2/conditions/checkedOutAt",
        "'conditions':{'private':true} | /places/2/conditions/private",
        "'ceiling':'boss' | /places/2/ceiling"})
    void a_fault_of_a_document_is_found_where_it_is(String members, String pointer) {
      assertThat(faultsOf(ONE.formatted("," + members) + "'units':[]")).extracting(Fault::pointer).containsOnly(pointer);
    }

    @Test
    void only_a_document_has_conditions() {
      assertThat(faultsOf("'places':[{'id':'root','kind':'repository','name':'R','conditions':{'frozen':true}}]"))
          .extracting(Fault::pointer).containsExactly("/places/0/conditions");
    }
  }

  @Nested
  class AnyInputAtAll {
    @Test
    void a_million_nested_brackets_are_survived() {
      assertThat(faults("[".repeat(1_000_000).getBytes(StandardCharsets.UTF_8))).hasSize(1);
    }

    @Test
    void a_file_cut_anywhere_is_refused() {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      BundleWriter.write(Harbour.structure(), out);
      byte[] whole = out.toByteArray();
      for (int length = 0; length < whole.length - 2; length += 7) {
        assertThat(faults(Arrays.copyOf(whole, length))).isNotEmpty();
      }
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-16", "UTF-16LE", "UTF-32", "windows-1252"})
    void another_encoding_is_refused(String charset) {
      byte[] bytes = "{\"format\":\"pale-gate-bundle\",\"version\":1,\"units\":[{\"id\":\"u\",\"name\":\"Ålesund\"}]}".getBytes(Charset.forName(charset));
      assertThat(faults(bytes)).singleElement().satisfies(fault -> assertThat(fault.remedy()).contains("UTF-8"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", " ", "null", "[]", "3", "\"x\"", "{}", "{} {}", "{\"format\":\"pale-gate-bundle\",\"version\":1e999}",
        "{\"format\":\"pale-gate-bundle\",\"version\":NaN}", "{\"format\":\"pale-gate-bundle\",\"version\":2}"})
    void what_is_not_a_bundle_is_refused(String text) {
      assertThat(faults(text.getBytes(StandardCharsets.UTF_8))).isNotEmpty();
    }
  }
}
