package rhetor.app.proof;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.app.product.Product;
import rhetor.app.template.Templates;
import rhetor.core.check.Mark;
import rhetor.core.exchange.Html;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Source;
import rhetor.core.keyword.KeywordMatch;
import rhetor.core.knowledge.Claim;
import rhetor.core.style.Field;
import rhetor.core.style.Length;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Shows a draft's fields with numbered footnotes and marks. */
@Component
class FieldViews {
  private final HouseKnowledge knowledge;

  private final Templates templates;

  FieldViews(HouseKnowledge knowledge, Templates templates) {
    this.knowledge = knowledge;
    this.templates = templates;
  }

  /** A sentence with the numbers of its footnotes. */
  record SentenceView(String text, List<Integer> footnotes) {}

  record BlockView(Block.Kind kind, List<SentenceView> sentences) {}

  /** What a footnote points at: a fact with its cells, a claim, or the keyword. */
  record Footnote(int number, Support.Kind kind, String label, String text, List<Source> sources) {}

  record KeywordPlace(KeywordMatch.Form form, String words) {}

  record FieldView(
      String code,
      String label,
      int least,
      int most,
      int length,
      String html,
      List<BlockView> blocks,
      List<Footnote> footnotes,
      List<Mark> marks,
      KeywordPlace keyword) {}

  /** All fields of a draft. */
  List<FieldView> of(Draft draft, List<Mark> marks, Product product) {
    return Arrays.stream(Field.values()).map(f -> view(f, draft, marks, product)).toList();
  }

  private FieldView view(Field field, Draft draft, List<Mark> all, Product product) {
    Map<Support, Footnote> footnotes = new LinkedHashMap<>();
    List<BlockView> blocks =
        draft.blocks(field).stream()
            .map(
                b ->
                    new BlockView(
                        b.kind(),
                        b.sentences().stream().map(s -> sentence(s, footnotes, product)).toList()))
            .toList();
    String plain = draft.plain(field);
    Length length = templates.style(product.id()).length(field);
    String html = Html.of(draft.blocks(field));
    List<Mark> marks = all.stream().filter(m -> m.field() == field).toList();
    return new FieldView(
        field.code(),
        field.label(),
        length.leastCharacters(),
        length.mostCharacters(),
        plain.length(),
        field == Field.DESCRIPTION ? html : plain,
        blocks,
        List.copyOf(footnotes.values()),
        marks,
        keyword(product.keyword(), plain));
  }

  private SentenceView sentence(
      Sentence sentence, Map<Support, Footnote> footnotes, Product product) {
    List<Integer> numbers = new ArrayList<>();
    for (Support support : sentence.support()) {
      Footnote note = footnotes.get(support);
      if (note == null) {
        note = footnote(footnotes.size() + 1, support, product);
        footnotes.put(support, note);
      }
      numbers.add(note.number());
    }
    return new SentenceView(sentence.text(), numbers);
  }

  private Footnote footnote(int number, Support support, Product product) {
    return switch (support.kind()) {
      case FACT ->
          product.facts().facts().stream()
              .filter((Fact f) -> f.id().equals(support.id()))
              .findFirst()
              .map(f -> new Footnote(number, Support.Kind.FACT, f.label(), "", f.sources()))
              .orElse(
                  new Footnote(
                      number,
                      Support.Kind.FACT,
                      "Fact",
                      "The supplier no longer gives this fact.",
                      List.of()));
      case CLAIM -> {
        String words =
            knowledge
                .current()
                .claim(support.id())
                .map(Claim::text)
                .orElse("This claim has been withdrawn.");
        yield new Footnote(number, Support.Kind.CLAIM, "Claim", words, List.of());
      }
      case RANGE -> new Footnote(number, Support.Kind.RANGE, "The range", support.id(), List.of());
      case KEYWORD ->
          new Footnote(number, Support.Kind.KEYWORD, "Keyword", support.id(), List.of());
      case HOUSE ->
          new Footnote(
              number, Support.Kind.HOUSE, "The house", "Every description says so.", List.of());
      case TEMPLATE ->
          new Footnote(
              number,
              Support.Kind.TEMPLATE,
              "The template",
              "The house's own words; no fact was asked for.",
              List.of());
    };
  }

  private static KeywordPlace keyword(String keyword, String plain) {
    if (keyword.isBlank()) {
      return new KeywordPlace(KeywordMatch.Form.MISSING, "");
    }
    KeywordMatch match = KeywordMatch.find(keyword, plain);
    return new KeywordPlace(
        match.form(), match.start() < 0 ? "" : plain.substring(match.start(), match.end()));
  }
}
