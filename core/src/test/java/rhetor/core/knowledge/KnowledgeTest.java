package rhetor.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The data files under {@code knowledge/} hold together. */
class KnowledgeTest {
  private static final Set<String> FORMS =
      Set.of("adj", "pp", "part", "with", "verb", "clause", "front");
  private final Knowledge knowledge = Knowledge.standard();

  @Test
  void there_is_enough_of_it() {
    assertThat(knowledge.concepts()).hasSizeGreaterThanOrEqualTo(120);
    assertThat(knowledge.classes().stream().filter(ProductClass::isConcrete))
        .hasSizeGreaterThanOrEqualTo(40);
    assertThat(knowledge.claims()).hasSizeGreaterThanOrEqualTo(400);
  }

  @Test
  void concepts_and_classes_have_names_in_five_languages() {
    for (Concept c : knowledge.concepts()) {
      assertThat(c.names().keySet())
          .as("languages of %s", c.id())
          .contains("en", "de", "fr", "es", "nl");
    }
    assertThat(knowledge.claims().stream().map(Claim::id)).doesNotHaveDuplicates();
  }

  @Test
  void every_concept_can_be_found() {
    for (Concept c : knowledge.concepts()) {
      assertThat(c.names().get("en")).as("English names of %s", c.id()).isNotEmpty();
      assertThat(c.gloss()).as("gloss of %s", c.id()).isNotBlank();
      assertThat(c.weight()).as("weight of %s", c.id()).isBetween(0, 100);
      assertThat(FORMS).as("forms of %s", c.id()).containsAll(c.say().keySet());
      if (!c.unit().isEmpty()) {
        assertThat(knowledge.unit(c.unit())).as("unit of %s", c.id()).isPresent();
      }
    }
  }

  @Test
  void verbs_stand_in_their_base_form() {
    knowledge.concepts().stream()
        .flatMap(c -> c.say().getOrDefault("verb", List.of()).stream())
        .forEach(
            v ->
                assertThat(rhetor.core.language.English.tags(v.split(" ")[0]))
                    .as(v)
                    .contains("VB"));
  }

  @Test
  void classes_and_claims_name_concepts_that_exist() {
    for (ProductClass c : knowledge.classes()) {
      assertThat(c.essential())
          .as("essentials of %s", c.id())
          .allSatisfy(e -> assertThat(knowledge.concept(e)).as(e).isPresent());
      assertThat(c.matters().keySet())
          .allSatisfy(e -> assertThat(knowledge.concept(e)).as(e).isPresent());
    }
    for (Claim c : knowledge.claims()) {
      assertThat(knowledge.concept(c.concept())).as("concept of claim %s", c.id()).isPresent();
      assertThat(c.classes())
          .allSatisfy(k -> assertThat(knowledge.productClass(k)).as(k).isPresent());
      assertThat(c.text()).as("text of claim %s", c.id()).isNotBlank();
      for (String so : c.so()) {
        Matcher slot = Pattern.compile("\\{([a-z]+)\\}").matcher(so);
        while (slot.find()) {
          assertThat(slot.group(1)).as("slot in claim %s", c.id()).isIn("it", "them");
        }
      }
      assertThat(c.adj().size() + c.so().size()).as("claim %s says something", c.id()).isPositive();
    }
  }

  @Test
  void two_concepts_share_a_name_only_if_the_cells_can_tell_them_apart() {
    java.util.Map<String, Concept> owner = new java.util.HashMap<>();
    for (Concept c : knowledge.concepts()) {
      for (String name : c.names().getOrDefault("en", List.of())) {
        Concept other = owner.putIfAbsent(name, c);
        if (other != null && !other.id().equals(c.id())) {
          assertThat(new java.util.TreeSet<>(List.of(c.dimension(), other.dimension())))
              .as("dimensions of \"%s\" as %s and %s", name, other.id(), c.id())
              .hasSize(2)
              .doesNotContain("");
        }
      }
    }
  }
}
