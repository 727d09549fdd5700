package rhetor.core.compose;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import rhetor.core.fact.Fact;
import rhetor.core.fact.ProductFacts;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.knowledge.TitlePattern;
import rhetor.core.language.English;
import rhetor.core.plan.Message;
import rhetor.core.plan.Message.Form;
import rhetor.core.say.en.Echo;
import rhetor.core.say.en.KeywordUse;
import rhetor.core.say.en.Subject;
import rhetor.core.say.en.ValueText;
import rhetor.core.style.Field;
import rhetor.core.style.HouseRules;
import rhetor.core.style.HouseWords;
import rhetor.core.style.Length;
import rhetor.core.style.TitleForm;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Writes what names a product: titles, the meta title, and the alt text of its picture. */
final class Titles {
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

  /** What a thing is made of, beside what it holds or does. */
  private static final Set<String> IN_TITLES_BY_MAKE =
      Set.of(
          "material", "colour", "size", "water_rating", "closure", "flavour", "level", "runtime");

  private static final int MOST_WITH_FIGURES = 65;
  private static final int LETTERS = 6;

  /** Fewer are a unit's or a code's. */
  private static final int LETTERS_OF_WORDS = 2;

  private final Knowledge knowledge;
  private final ValueText values;
  private final ProductFacts product;
  private final Subject subject;
  private final KeywordUse keyword;
  private final List<Message> messages;
  private final HouseRules rules;
  private final TitleForm form;

  /** Ids of what tells the product from others of its name. */
  private final List<String> apart;

  Titles(
      Knowledge knowledge,
      ValueText values,
      ProductFacts product,
      Subject subject,
      KeywordUse keyword,
      List<Message> messages,
      HouseRules rules,
      List<String> apart) {
    this.apart = apart;
    this.rules = rules;
    this.form = rules.style().titles();
    this.knowledge = knowledge;
    this.values = values;
    this.product = product;
    this.subject = subject;
    this.keyword = keyword;
    this.messages = messages;
  }

  /**
   * Up to four titles, facts only; the first follows the usual pattern: brand, name, keyword or
   * kind, and the figures that set variants apart.
   */
  List<Sentence> proposals() {
    String branded = branded();
    String byBrand = isBrandFitting() ? subject.name() + " by " + subject.brand() : branded;
    Set<Sentence> proposals = new LinkedHashSet<>();
    for (Set<String> figures : List.of(IN_TITLES, IN_TITLES_BY_MAKE)) {
      proposals.add(title(branded, figures));
      proposals.add(title(byBrand, figures));
    }
    return List.copyOf(proposals);
  }

  /** The title of a take: the first proposal for the first, and so on round. */
  Sentence title(int take) {
    if (take == 0) {
      return patterned().orElseGet(() -> title(branded(), IN_TITLES));
    }
    List<Sentence> proposals = proposals();
    return proposals.get(take % proposals.size());
  }

  /** The title that the house's pattern for the kind of product makes. */
  private Optional<Sentence> patterned() {
    List<TitlePattern.Part> parts =
        knowledge
            .productClass(product.productClass())
            .map(c -> TitlePattern.parse(c.title()).parts())
            .orElse(List.of());
    Optional<String> first = parts.stream().findFirst().flatMap(p -> p.filled(this::value));
    if (first.isEmpty() || first.get().length() > most(Field.TITLE)) {
      return Optional.empty();
    }
    StringBuilder title = new StringBuilder(first.get());
    List<Support> support = new ArrayList<>(subject.nameSupport());
    support.addAll(supportOf(parts.getFirst()));
    for (TitlePattern.Part part : parts.subList(1, parts.size())) {
      // The name may have said it already.
      Optional<String> words =
          part.filled(this::value).filter(w -> !Echo.overlaps(w, title.toString()));
      if (words.isPresent()) {
        append(title, part.joint(), words.get(), most(Field.TITLE), support, null);
        if (title.toString().endsWith(words.get())) {
          support.addAll(supportOf(part));
        }
      }
    }
    return Optional.of(new Sentence(title.toString(), support));
  }

  /** What a slot of a pattern stands for; nothing if the product hasn't got it. */
  private Optional<String> value(String slot) {
    String value =
        switch (slot) {
          case "name" -> subject.name();
          case "brand" -> subject.brand();
          case "kind" -> subject.nameHasKind() ? "" : form.cased(subject.kind());
          case "keyword" ->
              isKeywordSaid() && !keyword.isIn(subject.name()) ? form.cased(keyword.told()) : "";
          default -> fact(slot).map(this::spec).map(form::cased).orElse("");
        };
    return Optional.of(value).filter(v -> !v.isBlank());
  }

  private Optional<Fact> fact(String slot) {
    return product.facts().stream().filter(f -> Slots.name(f).equals(slot)).findFirst();
  }

  private String spec(Fact fact) {
    return fact.value() instanceof Value.YesNo(boolean yes)
        ? yes ? fact.label().toLowerCase(Locale.ROOT) : ""
        : values.spec(fact.value());
  }

  private List<Support> supportOf(TitlePattern.Part part) {
    return part.slots().stream()
        .flatMap(
            s ->
                s.equals("keyword")
                    ? Stream.of(Support.keyword(keyword.keyword()))
                    : fact(s).map(f -> Support.fact(f.id())).stream())
        .toList();
  }

  /**
   * Whether the keyword may stand in a title: where nobody knows what the product is, what people
   * type may be no name for it: "fleece cooler horse".
   */
  private boolean isKeywordSaid() {
    return keyword.usable() && !subject.kind().isEmpty();
  }

  private boolean isBrandFitting() {
    return !subject.brand().isEmpty()
        && subject.brand().length() + subject.name().length() + 4 <= most(Field.TITLE);
  }

  /** Most characters of a field; a limit in words is taken for so many of six letters. */
  private int most(Field field) {
    Length length = rules.style().length(field);
    return length.mostWords() == 0
        ? length.mostCharacters()
        : Math.min(length.mostCharacters(), length.mostWords() * LETTERS);
  }

  private String branded() {
    String name = shorten(subject.name(), most(Field.TITLE));
    return isBrandFitting() ? subject.brand() + " " + name : name;
  }

  private Sentence title(String named, Set<String> concepts) {
    StringBuilder title = new StringBuilder(named);
    List<Support> support = new ArrayList<>(subject.nameSupport());
    if (isKeywordSaid() && !keyword.isIn(named)) {
      append(
          title,
          form.separator().or(" – "),
          form.cased(keyword.told()),
          most(Field.TITLE),
          support,
          Support.keyword(keyword.keyword()));
    } else if (!subject.kind().isEmpty() && !subject.nameHasKind()) {
      append(
          title,
          form.separator().or(", "),
          form.cased(subject.kind()),
          most(Field.TITLE),
          support,
          null);
    }
    for (Message m : messages) {
      if (concepts.contains(m.fact().concept()) || lengthMatters(m)) {
        String spec = values.spec(m.fact().value());
        // Sizes to choose from are no part of the name of any of them.
        boolean choice =
            m.fact().value() instanceof Value.Terms(List<String> items) && items.size() > 1;
        if (!choice && isNewIn(title, spec)) {
          append(
              title,
              ", ",
              form.cased(spec),
              Math.min(MOST_WITH_FIGURES, most(Field.TITLE)),
              support,
              m.support());
        }
      }
    }
    apart(title, MOST_WITH_FIGURES, Field.TITLE, support);
    return new Sentence(title.toString(), support);
  }

  /** Adds what two products of one name can be told by, each with its heading where it needs it. */
  private void apart(StringBuilder title, int longest, Field field, List<Support> support) {
    for (String id : apart) {
      product.facts().stream()
          .filter(f -> f.id().equals(id))
          .findFirst()
          .ifPresent(
              f -> {
                String spec = told(f);
                if (!Echo.overlaps(spec, title.toString())) {
                  append(
                      title,
                      ", ",
                      form.cased(spec),
                      Math.min(longest, most(field)),
                      support,
                      Support.fact(f.id()));
                }
              });
    }
  }

  /** "Alto sax", "20 cm", but "strength 2": a bare figure needs its heading. */
  private String told(Fact fact) {
    String spec =
        fact.value() instanceof Value.Words(String asItStands) && fact.concept().isEmpty()
            ? asItStands
            : values.spec(fact.value());
    boolean isMeasured = fact.value() instanceof Value.Quantity q && !q.unit().isEmpty();
    boolean isBare =
        !isMeasured && spec.chars().filter(Character::isLetter).count() < LETTERS_OF_WORDS;
    return isBare ? English.lowerCommon(fact.label()) + " " + spec : spec;
  }

  private static boolean isNewIn(CharSequence title, String spec) {
    return spec.length() <= 24
        && !Echo.overlaps(spec, title.toString())
        && !Subject.hasWord(title.toString(), spec.split(" ")[0]);
  }

  private boolean lengthMatters(Message m) {
    return m.fact().concept().equals("length")
        && knowledge
            .productClass(product.productClass())
            .map(c -> c.matters().containsKey("length"))
            .orElse(false);
  }

  /** How long a title is once the house's words stand in it. */
  private int length(CharSequence title, String joint, String more) {
    HouseWords words = rules.titleWords();
    return words.isIdle()
        ? title.length() + joint.length() + more.length()
        : words.said(title + joint + more, product.names()).length();
  }

  private void append(
      StringBuilder text,
      String joint,
      String words,
      int most,
      List<Support> support,
      Support rest) {
    if (length(text, joint, words) <= most && !rules.titleWords().isUnsayable(words, List.of())) {
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

  Sentence metaTitle() {
    int most = most(Field.META_TITLE);
    StringBuilder title = new StringBuilder(shorten(subject.name(), most));
    List<Support> support = new ArrayList<>(subject.nameSupport());
    int room = most - (isKeywordSaid() ? keyword.told().length() + 3 : 0);
    for (Message m : messages) {
      // Two colours of one thing are two pages, which need two titles.
      String spec = values.spec(m.fact().value());
      boolean one =
          !(m.fact().value() instanceof Value.Terms(List<String> items)) || items.size() == 1;
      if (VARYING.contains(m.fact().concept()) && one && isNewIn(title, spec)) {
        append(title, ", ", form.cased(spec), room, support, m.support());
      }
    }
    apart(title, room, Field.META_TITLE, support);
    if (isKeywordSaid() && !keyword.isIn(title.toString())) {
      if (title.length() + keyword.told().length() + 3 > most) {
        title =
            new StringBuilder(
                shorten(subject.name(), Math.max(12, most - keyword.told().length() - 3)));
      }
      append(
          title,
          form.separator().or(" – "),
          form.cased(keyword.told()),
          most,
          support,
          Support.keyword(keyword.keyword()));
    } else if (!subject.kind().isEmpty() && !subject.nameHasKind()) {
      append(title, form.separator().or(" – "), form.cased(subject.kind()), most, support, null);
    }
    if (!subject.brand().isEmpty()) {
      append(title, form.separator().or(" | "), subject.brand(), most, support, null);
    }
    return new Sentence(title.toString(), support);
  }

  /** Names what the picture shows; only what can be seen: name, kind, colour. */
  Sentence imageAlt() {
    int most = most(Field.IMAGE_ALT);
    StringBuilder alt =
        new StringBuilder(subject.brand().isEmpty() ? "" : subject.brand() + " ")
            .append(subject.name());
    List<Support> support = new ArrayList<>(subject.nameSupport());
    if (alt.length() > most) {
      alt = new StringBuilder(shorten(subject.name(), most));
    }
    List<Support> known = subject.kindSupport(product);
    if (!subject.kind().isEmpty() && !subject.nameHasKind() && !known.isEmpty()) {
      append(alt, ", ", subject.kind(), most, support, known.getLast());
    }
    for (Message m : messages) {
      if (m.fact().concept().equals("colour")
          && m.has(Form.PP)
          && !Echo.overlaps(m.get(Form.PP), alt.toString())) {
        append(alt, " ", m.get(Form.PP), most, support, m.support());
      }
    }
    return new Sentence(alt.toString(), support);
  }
}
