package rhetor.app.proof;

import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Service;
import rhetor.app.log.Event;
import rhetor.app.log.HouseLog;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductLine;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;
import rhetor.core.check.Substitution;
import rhetor.core.style.Field;
import rhetor.core.text.Sentence;

/**
 * Puts words for others in many texts, some of them at each request, so that a person sees how far
 * it is; all of it is one act. What somebody has signed off stays.
 */
@Service
class ManySubstitutions {
  private static final int EXAMPLES = 3;

  /** Texts that are changed and checked in one request. */
  private static final int AT_ONCE = 20;

  private final TextStore texts;
  private final ActStore acts;
  private final ProofService proofs;
  private final ProductService products;
  private final HouseLog log;

  ManySubstitutions(
      TextStore texts, ActStore acts, ProofService proofs, ProductService products, HouseLog log) {
    this.texts = texts;
    this.acts = acts;
    this.proofs = proofs;
    this.products = products;
    this.log = log;
  }

  /** A sentence with the words, and how it would read. */
  record Substituted(ProductLine product, String before, String after) {}

  /** How many texts have the words, and the first sentences of three of them. */
  record SubstitutionForecast(int texts, List<Substituted> examples) {}

  /**
   * How far an act is.
   *
   * @param texts how many texts it has changed up to now
   * @param left how many more have the words
   */
  record SubstitutionAct(long act, int texts, int left) {}

  /** Says what would happen; nothing does. */
  SubstitutionForecast forecast(Substitution substitution, List<Long> named, ProductFilter filter) {
    Having having = having(substitution, named, filter, EXAMPLES);
    return new SubstitutionForecast(
        having.texts, having.first.stream().map(t -> example(t, substitution)).toList());
  }

  /** How many texts have the words, and the first of them. */
  private record Having(int texts, List<TextStore.Unsigned> first) {}

  private Having having(
      Substitution substitution, List<Long> named, ProductFilter filter, int most) {
    List<TextStore.Unsigned> first = new ArrayList<>();
    int[] count = new int[1];
    texts.unsigned(
        named.isEmpty() ? products.ids(filter) : named,
        substitution.words(),
        text -> {
          if (!substitution.in(text.draft(), text.name()).equals(text.draft())) {
            count[0]++;
            if (first.size() < most) {
              first.add(text);
            }
          }
        });
    return new Having(count[0], first);
  }

  private Substituted example(TextStore.Unsigned text, Substitution substitution) {
    for (Field field : Field.values()) {
      for (Sentence sentence : text.draft().sentences(field)) {
        String after = substitution.in(sentence.text(), text.name());
        if (!after.equals(sentence.text())) {
          return new Substituted(products.line(text.productId()), sentence.text(), after);
        }
      }
    }
    throw new IllegalStateException("nothing was put for " + substitution.words());
  }

  /**
   * Begins to put the words in, or goes on.
   *
   * @param act the act to go on with, 0 to begin one
   * @throws Refused if no text has the words, or the act is taken back or another's
   */
  SubstitutionAct goOn(
      long act, Substitution substitution, List<Long> named, ProductFilter filter, String by) {
    String what = "“" + substitution.instead() + "” for “" + substitution.words() + "”";
    Having having = having(substitution, named, filter, AT_ONCE);
    if (having.texts == 0 && act == 0) {
      throw Refused.conflict("None of these texts has “" + substitution.words() + "”.");
    }
    long id = act == 0 ? begin(what, by) : requireOwn(act, what, by);
    int made = 0;
    for (TextStore.Unsigned text : having.first) {
      made += isSubstituted(id, text, substitution, "Put " + what, by) ? 1 : 0;
    }
    // What somebody changes at this moment isn't tried for ever.
    int left = made == 0 ? 0 : having.texts - having.first.size();
    return new SubstitutionAct(id, acts.find(id).orElseThrow().texts(), left);
  }

  /** Each text by itself: one that somebody changes at this moment stays, and keeps no other. */
  private boolean isSubstituted(
      long act, TextStore.Unsigned text, Substitution substitution, String note, String by) {
    try {
      return proofs.substitute(act, text.productId(), text.id(), substitution, note, by);
    } catch (Refused changedMeanwhile) {
      return false;
    }
  }

  private long begin(String what, String by) {
    long act = acts.begin(ActStore.Deed.SUBSTITUTE, what, by);
    log.note(by, Event.WORDS_SUBSTITUTED, what, "act " + act);
    return act;
  }

  private long requireOwn(long act, String what, String by) {
    ActStore.Act known =
        acts.find(act).orElseThrow(() -> Refused.notFound("There is no such act."));
    if (!known.what().equals(what) || !known.by().equals(by) || !known.takenBackBy().isEmpty()) {
      throw Refused.conflict("That act is another, or has been taken back. Begin a new one.");
    }
    return act;
  }
}
