package rhetor.core.compose;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Claim;
import rhetor.core.language.English;
import rhetor.core.plan.Message;
import rhetor.core.plan.Message.Form;
import rhetor.core.say.en.KeywordUse;
import rhetor.core.say.en.Subject;
import rhetor.core.say.en.ValueText;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Writes the words that a shop files a product under. */
final class Tags {
  private static final int MOST_TAGS = 10;

  /** Under more words together nobody looks. */
  private static final int MOST_WORDS = 3;

  private static final Pattern LACKING = Pattern.compile("^(?:without|free (?:of|from))\\b");

  private final ValueText values;
  private final ProductFacts product;
  private final Subject subject;
  private final KeywordUse keyword;
  private final List<Message> messages;

  private final Style style;

  /** The tags so far, as they will stand. */
  private final StringBuilder row = new StringBuilder();

  Tags(
      ValueText values,
      ProductFacts product,
      Subject subject,
      KeywordUse keyword,
      List<Message> messages,
      Style style) {
    this.style = style;
    this.values = values;
    this.product = product;
    this.subject = subject;
    this.keyword = keyword;
    this.messages = messages;
  }

  List<Sentence> tags() {
    Set<String> seen = new LinkedHashSet<>();
    List<Sentence> tags = new ArrayList<>();
    if (keyword.usable()) {
      // "Bike light front" is typed into a search, and filed under by nobody.
      tag(tags, seen, English.midSentence(keyword.told()), Support.keyword(keyword.keyword()));
    }
    for (String supporting : style.supporting()) {
      tag(tags, seen, supporting.toLowerCase(Locale.ROOT), Support.keyword(supporting));
    }
    // What has neither a name nor a category has nothing that its kind could rest on.
    List<Support> known = subject.kindSupport(product);
    if (!subject.kind().isEmpty() && !known.isEmpty()) {
      tag(
          tags,
          seen,
          subject.plural() || English.isMass(subject.kind())
              ? subject.kind()
              : English.plural(subject.kind()),
          known.getLast());
    }
    product
        .fact("brand")
        .ifPresent(f -> tag(tags, seen, values.spec(f.value()), Support.fact(f.id())));
    for (Message m : messages) {
      for (Claim claim : m.claims()) {
        claim.adj().forEach(a -> tag(tags, seen, a, Support.claim(claim.id())));
      }
      if (m.has(Form.PP) && LACKING.matcher(m.get(Form.PP)).find()) {
        // Nobody files what has no parabens under "parabens".
        continue;
      }
      boolean named =
          m.has(Form.ADJ) && !(m.fact().value() instanceof Value.Quantity) || m.has(Form.PP);
      if (named && m.fact().value() instanceof Value.Terms(List<String> items)) {
        items.stream()
            .map(English::midSentence)
            .filter(i -> i.length() <= 30 && i.split(" ").length <= MOST_WORDS)
            .forEach(i -> tag(tags, seen, i, m.support()));
      } else if (m.fact().value() instanceof Value.Rating(String code)) {
        tag(tags, seen, code, m.support());
      } else if (named
          && m.fact().value() instanceof Value.Words(String words)
          && words.length() <= 24) {
        tag(
            tags,
            seen,
            m.has(Form.PP)
                ? m.get(Form.PP).replaceFirst("^(from|in|for) (the )?", "")
                : English.midSentence(words),
            m.support());
      }
    }
    return tags;
  }

  private void tag(List<Sentence> tags, Set<String> seen, String words, Support support) {
    String clean = words.replace(",", "").strip();
    if (clean.length() > 1
        && tags.size() < MOST_TAGS
        && style.fits(Field.TAGS, row + clean)
        && seen.add(clean.toLowerCase(Locale.ROOT))) {
      tags.add(new Sentence(clean, List.of(support)));
      row.append(clean).append(", ");
    }
  }
}
