package rhetor.core.compose;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Licence;
import rhetor.core.fact.ProductFacts;
import rhetor.core.knowledge.Claim;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.English;
import rhetor.core.plan.Message;
import rhetor.core.plan.Planner;
import rhetor.core.plan.RangeFigures;
import rhetor.core.plan.Rotation;
import rhetor.core.say.Variety;
import rhetor.core.say.en.Framing;
import rhetor.core.say.en.KeywordUse;
import rhetor.core.say.en.NounPhrase;
import rhetor.core.say.en.Pen;
import rhetor.core.say.en.SentenceWriter;
import rhetor.core.say.en.Subject;
import rhetor.core.say.en.ValueText;
import rhetor.core.say.en.Wording;
import rhetor.core.style.Voice;
import rhetor.core.text.Sentence;

/** Shows a claim at work: whether a product's facts license it, and in what words. */
public final class ClaimAtWork {
  private final Claim claim;
  private final Knowledge knowledge;
  private final Voice voice;

  /**
   * @param voice the voice in which its words are shown
   */
  public ClaimAtWork(Claim claim, Knowledge knowledge, Voice voice) {
    this.claim = claim;
    this.knowledge = knowledge.withClaims(List.of(claim));
    this.voice = voice;
  }

  /**
   * The claim on one product.
   *
   * @param fact the fact that licenses it
   * @param sentence how it would read
   */
  public record Example(Fact fact, String sentence) {}

  /** The fact that licenses the claim, if the product has one. */
  public Optional<Fact> licensedBy(ProductFacts product) {
    return product.facts().stream()
        .filter(f -> !Licence.in(knowledge).of(f, product.productClass()).isEmpty())
        .findFirst();
  }

  /** How the claim would read in a text for the product; nothing if no fact licenses it. */
  public Optional<Example> on(ProductFacts product) {
    return licensedBy(product).map(fact -> new Example(fact, sentence(product, fact)));
  }

  /** A claim's clause as it reads of one thing: "it dries fast" for "{it} ~dry fast". */
  public static String clause(String so) {
    return SentenceWriter.clause(so, false);
  }

  private String sentence(ProductFacts product, Fact fact) {
    Rotation rotation = new Rotation(1);
    rotation.start(product.sku(), 0);
    Pen pen =
        Pen.of(
            voice, rotation, Variety.none(), new ValueText(knowledge), new RangeFigures(knowledge));
    Subject subject = Subject.of(product);
    List<Message> said =
        new Planner(knowledge, new Wording(knowledge))
            .messages(product, pen.choice()).stream().filter(m -> m.fact() == fact).toList();
    if (!claim.so().isEmpty() && !said.isEmpty() && said.getFirst().verb() != null) {
      return new SentenceWriter(subject, pen, "")
          .write(said, true).stream().map(Sentence::text).collect(Collectors.joining(" "));
    }
    if (!claim.adj().isEmpty()) {
      NounPhrase phrase = NounPhrase.of(subject, KeywordUse.NONE, said, 2, 0);
      return Framing.finish(subject.bareFullReference() + ": " + phrase.words(), voice);
    }
    return English.capitalise(clause(claim.so().getFirst())) + ".";
  }
}
