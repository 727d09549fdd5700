package rhetor.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import rhetor.core.Products;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.say.en.Wording;

class ConceptCheckTest {
  private static final Knowledge KNOWLEDGE = Knowledge.standard();

  private static Concept concept(String id, Concept.Kind kind, Map<String, List<String>> say) {
    return concept(id, kind, say, List.of(), List.of());
  }

  private static Concept concept(
      String id,
      Concept.Kind kind,
      Map<String, List<String>> say,
      List<Concept.SayOf> sayOf,
      List<String> notOf) {
    return new Concept(
        id,
        "Bell pitch",
        "",
        Map.of("en", List.of("bell pitch", "pitch of bell")),
        kind,
        "",
        "",
        "performance",
        50,
        "",
        List.of(),
        List.of(),
        List.of(),
        false,
        say,
        sayOf,
        List.of(),
        notOf,
        Map.of());
  }

  private static List<String> problems(String form, String wording) {
    return ConceptCheck.problems(
        concept("bell_pitch", Concept.Kind.WORDS, Map.of(form, List.of(wording))), KNOWLEDGE);
  }

  @Test
  void every_wording_that_ships_has_only_slots_that_can_be_filled() {
    for (Concept c : KNOWLEDGE.concepts()) {
      for (String wording : c.wordings().toList()) {
        Matcher slot = Pattern.compile("\\{([a-z]+)").matcher(wording);
        while (slot.find()) {
          assertThat(Wording.SLOTS).as("slot in %s: %s", c.id(), wording).contains(slot.group(1));
        }
      }
      assertThat(ConceptCheck.problems(c, KNOWLEDGE)).as(c.id()).isEmpty();
    }
  }

  @Test
  void a_wording_has_to_say_the_value_and_nothing_that_no_fact_bears_out() {
    assertThat(problems("verb", "ring at {v}")).isEmpty();
    assertThat(problems("verb", "rings at {v}")).singleElement().asString().contains("dictionary");
    assertThat(problems("verb", "ring loud")).singleElement().asString().contains("put {v}");
    assertThat(problems("verb", "ring at {pitch}")).singleElement().asString().contains("{pitch}");
    assertThat(problems("with", "a {v pitch")).isNotEmpty();
    assertThat(problems("with", "the best {v} pitch"))
        .anySatisfy(p -> assertThat(p).contains("more than any fact"));
    assertThat(problems("part", "waterproof at {v}"))
        .singleElement()
        .asString()
        .contains("waterproof", "claim");
    assertThat(problems("shout", "{v}")).singleElement().asString().contains("shout");
    assertThat(problems("with", "<b>{v}</b>")).singleElement().asString().contains("markup");
  }

  @Test
  void a_heading_belongs_to_one_kind_of_fact() {
    Concept taken =
        new Concept(
            "heaviness",
            "Heaviness",
            "",
            Map.of("en", List.of("weight")),
            Concept.Kind.WORDS,
            "",
            "",
            "size",
            50,
            "",
            null,
            null,
            null,
            false,
            null,
            null,
            null,
            null,
            null);
    assertThat(ConceptCheck.problems(taken, KNOWLEDGE))
        .singleElement()
        .asString()
        .contains("read as Weight already");
    assertThat(
            ConceptCheck.problems(concept("Bell Pitch", Concept.Kind.WORDS, Map.of()), KNOWLEDGE))
        .singleElement()
        .asString()
        .contains("small letters");
  }

  @Test
  void a_concept_is_seen_at_work_on_a_product_whose_column_it_will_read() {
    ProductFacts bell =
        Products.of("SKU,Name,Category,Bell pitch", "B,Chapel,Bicycle bells,A sharp");
    Concept own =
        concept(
            "bell_pitch",
            Concept.Kind.WORDS,
            Map.of("verb", List.of("ring in {asis}"), "with", List.of("a pitch of {asis}")));
    assertThat(ConceptCheck.examples(own, bell, KNOWLEDGE))
        .anySatisfy(e -> assertThat(e).contains("rings in A sharp"))
        .anySatisfy(e -> assertThat(e).contains("has a pitch of A sharp"));
    Knowledge house = KNOWLEDGE.with(KNOWLEDGE.claims(), List.of(own), List.of());
    assertThat(house.concept("bell_pitch")).contains(own);
    assertThat(house.concepts()).hasSize(KNOWLEDGE.concepts().size() + 1);
  }

  @Test
  void one_kind_of_product_may_have_other_words_than_all_others() {
    ProductFacts bag = Products.of("SKU,Name,Category,Bell pitch", "B,Chapel,Backpacks,A sharp");
    ProductFacts bell =
        Products.of("SKU,Name,Category,Bell pitch", "B,Chapel,Bicycle bells,A sharp");
    Concept.SayOf ofBags =
        new Concept.SayOf(List.of(bag.productClass()), Map.of("verb", List.of("jingle in {asis}")));
    Concept own =
        concept(
            "bell_pitch",
            Concept.Kind.WORDS,
            Map.of("verb", List.of("ring in {asis}")),
            List.of(ofBags),
            List.of(bag.productClass()));
    assertThat(ConceptCheck.problems(own, KNOWLEDGE)).isEmpty();
    assertThat(ConceptCheck.examples(own, bag, KNOWLEDGE))
        .isNotEmpty()
        .allSatisfy(e -> assertThat(e).contains("jingles in A sharp"));
    assertThat(ConceptCheck.examples(own, bell, KNOWLEDGE))
        .isNotEmpty()
        .allSatisfy(e -> assertThat(e).contains("rings in A sharp"));
  }

  @Test
  void words_for_one_kind_of_product_are_checked_like_all_others() {
    Concept own =
        concept(
            "bell_pitch",
            Concept.Kind.WORDS,
            Map.of(),
            List.of(
                new Concept.SayOf(
                    List.of("no_such_kind"),
                    Map.of("verb", List.of("ring loud"), "shout", List.of("{v}")))),
            List.of("nor_this"));
    assertThat(ConceptCheck.problems(own, KNOWLEDGE))
        .anySatisfy(p -> assertThat(p).contains("no_such_kind"))
        .anySatisfy(p -> assertThat(p).contains("nor_this"))
        .anySatisfy(p -> assertThat(p).contains("put {v}"))
        .anySatisfy(p -> assertThat(p).contains("shout"));
  }
}
