package rhetor.core.compose;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import rhetor.core.compose.Message.Form;
import rhetor.core.fact.Claim;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.language.English;
import rhetor.core.support.Ground;

/**
 * Writes all texts of a product from its facts, without network or cost. Every sentence carries
 * what it rests on; a field for which there are no facts stays empty.
 *
 * <p>The same briefs in the same order with the same seed give the same texts. Not safe for several
 * threads.
 */
public final class Composer {
  private static final int MOST_TAGS = 10;
  private static final Set<String> NOT_SPECIFIED =
      Set.of("name", "features", "included", "not_included", "category");

  /** What sets variants of one thing apart. */
  private static final Set<String> VARYING = Set.of("colour", "size");

  private static final Set<String> IN_TITLES =
      Set.of(
          "capacity",
          "light_output",
          "size",
          "colour",
          "duration",
          "distance",
          "net_contents",
          "format");
  private static final int LONGEST_ENTRY = 160;

  private final Knowledge knowledge;
  private final Planner planner;
  private final ValueText values;
  private final Rotation rotation;

  public Composer(Knowledge knowledge, long seed) {
    this.knowledge = knowledge;
    this.planner = new Planner(knowledge);
    this.values = new ValueText(knowledge);
    this.rotation = new Rotation(seed);
  }

  /** Writes every field that the product's facts allow. */
  public Draft compose(Brief brief) {
    ProductFacts product = brief.product();
    rotation.startProduct(product.sku());
    Job job = new Job(product, keywordUse(brief));
    Map<Field, List<Block>> fields = new EnumMap<>(Field.class);
    put(fields, Field.TITLE, List.of(paragraph(List.of(job.title()))));
    put(fields, Field.SHORT_DESCRIPTION, prose(job.shortDescription()));
    put(fields, Field.DESCRIPTION, job.description());
    put(fields, Field.META_TITLE, List.of(paragraph(List.of(job.metaTitle()))));
    put(fields, Field.META_DESCRIPTION, prose(job.metaDescription()));
    put(fields, Field.TAGS, prose(job.tags()));
    put(fields, Field.IMAGE_ALT, List.of(paragraph(List.of(job.imageAlt()))));
    return new Draft(fields);
  }

  private KeywordUse keywordUse(Brief brief) {
    return brief.keyword().isBlank()
        ? KeywordUse.NONE
        : KeywordUse.of(brief.keyword(), brief.product(), new Ground(brief.product(), knowledge));
  }

  private static void put(Map<Field, List<Block>> fields, Field field, List<Block> blocks) {
    if (!blocks.isEmpty()) {
      fields.put(field, blocks);
    }
  }

  private static List<Block> prose(List<Sentence> sentences) {
    return sentences.isEmpty() ? List.of() : List.of(paragraph(sentences));
  }

  private static Block paragraph(List<Sentence> sentences) {
    return new Block(Block.Kind.PARAGRAPH, sentences);
  }

  /** The writing of one product. */
  private final class Job {
    private final ProductFacts product;
    private final KeywordUse keyword;
    private final Subject subject;
    private final List<Message> messages;

    Job(ProductFacts product, KeywordUse keyword) {
      this.product = product;
      this.keyword = keyword;
      this.subject = Subject.of(product);
      this.messages = planner.messages(product, rotation);
    }

    /** Facts only: brand, name, keyword or kind, and the figures that set variants apart. */
    Sentence title() {
      StringBuilder title =
          new StringBuilder(subject.brand().isEmpty() ? "" : subject.brand() + " ")
              .append(subject.name());
      List<Support> support = new ArrayList<>(subject.nameSupport());
      if (title.length() > Field.TITLE.most()) {
        title = new StringBuilder(shorten(subject.name(), Field.TITLE.most()));
      }
      if (keyword.usable() && !keyword.isIn(title.toString())) {
        append(
            title,
            " – ",
            keyword.keyword(),
            Field.TITLE.most(),
            support,
            Support.keyword(keyword.keyword()));
      } else if (!subject.kind().isEmpty() && !subject.nameHasKind()) {
        append(title, ", ", subject.kind(), Field.TITLE.most(), support, null);
      }
      for (Message m : messages) {
        if (IN_TITLES.contains(m.fact().concept()) || lengthMatters(m)) {
          String spec = values.spec(m.fact().value());
          boolean choice =
              m.fact().concept().equals("size")
                  && m.fact().value() instanceof Value.Terms(List<String> items)
                  && items.size() > 1;
          if (!choice && isNewIn(title, spec)) {
            append(title, ", ", spec, 65, support, m.support());
          }
        }
      }
      return new Sentence(title.toString(), support);
    }

    private static boolean isNewIn(CharSequence title, String spec) {
      return spec.length() <= 24
          && !Opening.overlaps(spec, title.toString())
          && !Subject.hasWord(title.toString(), spec.split(" ")[0]);
    }

    private boolean lengthMatters(Message m) {
      return m.fact().concept().equals("length")
          && knowledge
              .productClass(product.productClass())
              .map(c -> c.matters().containsKey("length"))
              .orElse(false);
    }

    private void append(
        StringBuilder text,
        String joint,
        String words,
        int most,
        List<Support> support,
        Support rest) {
      if (text.length() + joint.length() + words.length() <= most) {
        text.append(joint).append(words);
        if (rest != null) {
          support.add(rest);
        }
      }
    }

    /** A name over the limit loses whole words at its end. */
    private static String shorten(String name, int most) {
      if (name.length() <= most) {
        return name;
      }
      int cut = name.lastIndexOf(' ', most);
      return name.substring(0, cut < most / 2 ? most : cut);
    }

    List<Sentence> shortDescription() {
      if (messages.isEmpty()) {
        return bare();
      }
      for (int size : new int[] {2, 1}) {
        Opening.Result opening =
            new Opening(subject, keyword, messages, rotation).write("short", size);
        if (opening == null) {
          continue;
        }
        List<Sentence> sentences = new ArrayList<>(List.of(opening.sentence()));
        if (fits(sentences, Field.SHORT_DESCRIPTION)) {
          second(opening.said(), sentences, Field.SHORT_DESCRIPTION);
          return sentences;
        }
      }
      return bare();
    }

    /** Adds a second sentence of two facts or one, if it fits. */
    private void second(Set<Message> said, List<Sentence> sentences, Field field) {
      List<Message> rest =
          messages.stream()
              .filter(
                  m ->
                      !said.contains(m)
                          && m.sayable()
                          && !m.theme().equals("care")
                          && !m.theme().equals("included"))
              .toList();
      for (int count = Math.min(2, rest.size()); count > 0; count--) {
        List<Sentence> more =
            new SentenceWriter(subject, rotation).write(rest.subList(0, count), false);
        List<Sentence> both = new ArrayList<>(sentences);
        both.addAll(more);
        if (fits(both, field)) {
          sentences.addAll(more);
          return;
        }
      }
    }

    private static boolean fits(List<Sentence> sentences, Field field) {
      return sentences.stream().mapToInt(s -> s.text().length() + 1).sum() - 1 <= field.most();
    }

    /** What can be said when there is nothing but name and kind; nothing if not even that. */
    private List<Sentence> bare() {
      boolean nothing = product.facts().stream().allMatch(f -> f.concept().equals("name"));
      if (nothing
          || subject.kind().isEmpty()
          || subject.nameHasKind() && subject.brand().isEmpty()) {
        return List.of();
      }
      String is = subject.plural() ? " are " : " is ";
      String kind = subject.plural() ? subject.kind() : English.withArticle(subject.kind());
      String words =
          subject.nameHasKind()
              ? subject.shortReference() + " comes from " + subject.brand()
              : subject.fullReference() + is + kind;
      return List.of(SentenceWriter.finish(words, kindSupport()));
    }

    private List<Support> kindSupport() {
      List<Support> support = new ArrayList<>(subject.nameSupport());
      product.fact("category").ifPresent(f -> support.add(Support.fact(f.id())));
      return support;
    }

    List<Block> description() {
      if (messages.isEmpty()) {
        return prose(bare());
      }
      List<Block> blocks = new ArrayList<>();
      Set<Message> said = new LinkedHashSet<>();
      List<Sentence> first = new ArrayList<>();
      Opening.Result opening =
          new Opening(subject, keyword, messages, rotation).write("description", 2);
      if (opening != null) {
        first.add(opening.sentence());
        said.addAll(opening.said());
      }
      Planner.Outline outline =
          planner.outline(
              messages.stream().filter(m -> !said.contains(m) && !isSaidBy(m, first)).toList());
      SentenceWriter writer = new SentenceWriter(subject, rotation);
      List<List<Message>> body = new ArrayList<>(outline.body());
      if (!body.isEmpty()) {
        first.addAll(writer.write(body.removeFirst(), first.isEmpty()));
      }
      List<List<Sentence>> paragraphs = new ArrayList<>();
      paragraphs.add(first);
      paragraphs.add(write(writer, body, body.size() > 1 && first.size() > 1));
      paragraphs.add(
          write(writer, outline.closing(), outline.closing().size() > 1 && body.size() > 1));
      joinShort(paragraphs).forEach(p -> blocks.add(paragraph(p)));
      if (blocks.isEmpty()) {
        blocks.addAll(prose(bare()));
      }
      List<Sentence> specification = specification();
      if (specification.size() >= 2) {
        blocks.add(
            new Block(Block.Kind.HEADING, List.of(new Sentence("Specification", List.of()))));
        blocks.add(new Block(Block.Kind.LIST, specification));
      }
      return blocks;
    }

    private static List<Sentence> write(
        SentenceWriter writer, List<List<Message>> groups, boolean ownParagraph) {
      List<Sentence> sentences = new ArrayList<>();
      for (List<Message> group : groups) {
        sentences.addAll(writer.write(group, ownParagraph && sentences.isEmpty()));
      }
      return sentences;
    }

    /** "A floating lure" says all that "a floating action" would. */
    private static boolean isSaidBy(Message m, List<Sentence> opening) {
      return m.theme().equals("extra")
          && m.fact().value() instanceof Value.Words(String words)
          && opening.stream().anyMatch(s -> Subject.hasWord(s.text(), words));
    }

    /** A paragraph of one sentence looks left over; it joins the one before it. */
    private static List<List<Sentence>> joinShort(List<List<Sentence>> paragraphs) {
      List<List<Sentence>> joined = new ArrayList<>();
      for (List<Sentence> paragraph : paragraphs) {
        boolean short_ = paragraph.size() == 1 || !joined.isEmpty() && joined.getLast().size() == 1;
        if (short_ && !joined.isEmpty()) {
          joined.getLast().addAll(paragraph);
        } else if (!paragraph.isEmpty()) {
          joined.add(new ArrayList<>(paragraph));
        }
      }
      return joined;
    }

    private List<Sentence> specification() {
      List<Sentence> entries = new ArrayList<>();
      for (Fact fact : product.facts()) {
        if (NOT_SPECIFIED.contains(fact.concept())) {
          boolean listed = !fact.concept().equals("name") && !fact.concept().equals("category");
          if (listed && !isSaidWhole(fact)) {
            entries.add(entry(fact));
          }
          continue;
        }
        String value = values.spec(fact.value());
        boolean unitless =
            fact.value() instanceof Value.Quantity q
                && q.unit().isEmpty()
                && knowledge
                    .concept(fact.concept())
                    .map(c -> !c.dimension().isEmpty())
                    .orElse(false);
        if (!value.isEmpty() && value.length() <= LONGEST_ENTRY && !unitless) {
          entries.add(entry(fact));
        }
      }
      return entries;
    }

    /** Whether every item of a list of things found a place in prose. */
    private boolean isSaidWhole(Fact fact) {
      return messages.stream().anyMatch(m -> m.fact() == fact)
          && fact.value() instanceof Value.Terms(List<String> items)
          && items.size() <= 6
          && items.stream().allMatch(i -> Wording.nounPhrase(i).isPresent());
    }

    private Sentence entry(Fact fact) {
      String label =
          fact.concept().isEmpty() || fact.concept().startsWith("extra:")
              ? English.capitalise(HeadingWording.label(fact.label()))
              : fact.label();
      return new Sentence(
          label + ": " + values.spec(fact.value()), List.of(Support.fact(fact.id())));
    }

    Sentence metaTitle() {
      int most = Field.META_TITLE.most();
      StringBuilder title = new StringBuilder(shorten(subject.name(), most));
      List<Support> support = new ArrayList<>(subject.nameSupport());
      int room = most - (keyword.usable() ? keyword.keyword().length() + 3 : 0);
      for (Message m : messages) {
        // Two colours of one thing are two pages, which need two titles.
        String spec = values.spec(m.fact().value());
        boolean one =
            !(m.fact().value() instanceof Value.Terms(List<String> items)) || items.size() == 1;
        if (VARYING.contains(m.fact().concept()) && one && isNewIn(title, spec)) {
          append(title, ", ", spec, room, support, m.support());
        }
      }
      if (keyword.usable() && !keyword.isIn(title.toString())) {
        if (title.length() + keyword.keyword().length() + 3 > most) {
          title =
              new StringBuilder(
                  shorten(subject.name(), Math.max(12, most - keyword.keyword().length() - 3)));
        }
        append(title, " – ", keyword.keyword(), most, support, Support.keyword(keyword.keyword()));
      } else if (!subject.kind().isEmpty() && !subject.nameHasKind()) {
        append(title, " – ", subject.kind(), most, support, null);
      }
      if (!subject.brand().isEmpty()) {
        append(title, " | ", subject.brand(), most, support, null);
      }
      return new Sentence(title.toString(), support);
    }

    List<Sentence> metaDescription() {
      if (messages.isEmpty()) {
        return bare();
      }
      Opening opening = new Opening(subject, keyword, messages, rotation);
      if (subject.canBeCalledKind() && opening.kind(2, 1).isInformative()) {
        for (int size = 3; size >= 0; size--) {
          Opening.Phrase kind = opening.kind(Math.min(2, size), Math.max(0, size - 1));
          String words =
              English.capitalise(subject.fullReference().replaceFirst("^the ", ""))
                  + ": "
                  + kind.words();
          List<Sentence> sentences =
              new ArrayList<>(List.of(SentenceWriter.finish(words, kind.support())));
          if (fits(sentences, Field.META_DESCRIPTION)) {
            second(kind.said(), sentences, Field.META_DESCRIPTION);
            return sentences;
          }
        }
      }
      for (int size : new int[] {2, 1}) {
        Opening.Result result = opening.write("meta", size);
        if (result != null && fits(List.of(result.sentence()), Field.META_DESCRIPTION)) {
          List<Sentence> sentences = new ArrayList<>(List.of(result.sentence()));
          second(result.said(), sentences, Field.META_DESCRIPTION);
          return sentences;
        }
      }
      return bare();
    }

    List<Sentence> tags() {
      Set<String> seen = new LinkedHashSet<>();
      List<Sentence> tags = new ArrayList<>();
      if (keyword.usable()) {
        tag(
            tags,
            seen,
            keyword.keyword().toLowerCase(Locale.ROOT),
            Support.keyword(keyword.keyword()));
      }
      if (!subject.kind().isEmpty()) {
        tag(
            tags,
            seen,
            subject.plural() || English.isMass(subject.kind())
                ? subject.kind()
                : English.plural(subject.kind()),
            kindSupport().getLast());
      }
      product
          .fact("brand")
          .ifPresent(f -> tag(tags, seen, values.spec(f.value()), Support.fact(f.id())));
      for (Message m : messages) {
        for (Claim claim : m.claims()) {
          claim.adj().forEach(a -> tag(tags, seen, a, Support.claim(claim.id())));
        }
        boolean named =
            m.has(Form.ADJ) && !(m.fact().value() instanceof Value.Quantity) || m.has(Form.PP);
        if (named && m.fact().value() instanceof Value.Terms(List<String> items)) {
          items.stream()
              .map(English::midSentence)
              .filter(i -> i.length() <= 30)
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
                  ? m.get(Form.PP).replaceFirst("^(from|in|for) ", "")
                  : English.midSentence(words),
              m.support());
        }
      }
      for (Message m : messages) {
        if (m.theme().equals("extra")
            && m.fact().value() instanceof Value.Words(String words)
            && words.matches("[\\p{L} -]{5,24}")
            && words.split(" ").length <= 3) {
          tag(tags, seen, English.midSentence(words), m.support());
        }
      }
      return tags;
    }

    private void tag(List<Sentence> tags, Set<String> seen, String words, Support support) {
      String clean = words.replace(",", "").strip();
      boolean fits =
          tags.stream().mapToInt(t -> t.text().length() + 2).sum() + clean.length()
              <= Field.TAGS.most();
      if (clean.length() > 1
          && fits
          && tags.size() < MOST_TAGS
          && seen.add(clean.toLowerCase(Locale.ROOT))) {
        tags.add(new Sentence(clean, List.of(support)));
      }
    }

    /** Names what the picture shows; only what can be seen: name, kind, colour. */
    Sentence imageAlt() {
      int most = Field.IMAGE_ALT.most();
      StringBuilder alt =
          new StringBuilder(subject.brand().isEmpty() ? "" : subject.brand() + " ")
              .append(subject.name());
      List<Support> support = new ArrayList<>(subject.nameSupport());
      if (alt.length() > most) {
        alt = new StringBuilder(shorten(subject.name(), most));
      }
      if (!subject.kind().isEmpty() && !subject.nameHasKind()) {
        append(alt, ", ", subject.kind(), most, support, kindSupport().getLast());
      }
      for (Message m : messages) {
        if (m.fact().concept().equals("colour")
            && m.has(Form.PP)
            && !Opening.overlaps(m.get(Form.PP), alt.toString())) {
          append(alt, " ", m.get(Form.PP), most, support, m.support());
        }
      }
      return new Sentence(alt.toString(), support);
    }
  }
}
