package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import rhetor.core.fact.Value;
import rhetor.core.language.English;
import rhetor.core.plan.Message;
import rhetor.core.plan.Message.Form;
import rhetor.core.style.OpeningFrame;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** The sentence that says what a product is, with the facts that matter most. */
public final class Opening {
  /** Ways that are tried before the least repetitive is taken. */
  private static final int TRIES = 6;

  private static final int TURNS = 3;

  /** More repetition than any sentence has. */
  private static final int SAME = 10_000;

  /** Facts that matter enough to open with. */
  private static final int FRONT_ROW = 5;

  private final Subject subject;
  private final KeywordUse keyword;
  private final List<Message> messages;
  private final Pen pen;

  /**
   * The opening.
   *
   * @param texts a sentence or two
   * @param kind the noun phrase in it
   * @param used the messages it has said besides
   */
  public record Result(List<String> texts, NounPhrase kind, List<Message> used) {
    public String text() {
      return texts.size() == 1 ? texts.getFirst() : String.join(" ", texts);
    }

    public Set<Message> said() {
      Set<Message> said = new LinkedHashSet<>(kind.said());
      said.addAll(used);
      return said;
    }

    public List<Sentence> sentences() {
      List<Support> support = new ArrayList<>(kind.support());
      used.forEach(m -> support.addAll(m.supports()));
      List<Sentence> sentences = new ArrayList<>(texts.size());
      texts.forEach(t -> sentences.add(new Sentence(t, support)));
      return sentences;
    }
  }

  public Opening(Subject subject, KeywordUse keyword, List<Message> messages, Pen pen) {
    this.subject = subject;
    this.keyword = keyword;
    this.messages = messages;
    this.pen = pen;
  }

  private NounPhrase kind(int adjectives, int after) {
    return NounPhrase.of(subject, keyword, messages, adjectives, after);
  }

  /**
   * Writes it, in the frame that the voice prefers among those that repeat little.
   *
   * @param size 2 for a full sentence, 1 for a short one
   * @return null if there is nothing to say
   */
  public Result write(int size) {
    return write(size, "");
  }

  /**
   * @param not how another text of the product opens, which it does only if there is no other way
   */
  public Result write(int size, String not) {
    if (!subject.canBeCalledKind() && !subject.isUnnamedPlural()) {
      return withoutKind(size);
    }
    List<OpeningFrame> frames = pen.rotation().ordered(pen.voice().openings());
    Result best = null;
    int least = Integer.MAX_VALUE;
    int tries = 0;
    for (int turn = 0; turn < TURNS && tries < TRIES; turn++) {
      Opening turned = turn == 0 ? this : turned(turn);
      NounPhrase kind = turned.kind(size, size - 1);
      if (!kind.isInformative() && messages.stream().anyMatch(m -> m.verb() != null)) {
        // "The 60 Canister Filter is a canister filter" tells nobody anything.
        return withoutKind(size);
      }
      Rest rest = turned.rest(kind, size);
      for (OpeningFrame frame : frames) {
        Result result =
            subject.isUnnamedPlural()
                ? turned.putPlural(frame, kind, rest)
                : turned.put(frame, kind, rest);
        if (result == null) {
          continue;
        }
        int repeated = result.text().equals(not) ? SAME : pen.faults("", result.text());
        if (repeated < least) {
          best = result;
          least = repeated;
        }
        if (repeated == 0 || ++tries >= TRIES) {
          break;
        }
      }
      if (least == 0) {
        break;
      }
    }
    if (best != null) {
      Result shorter = size > 1 && pen.isTooLong(best.text()) ? write(size - 1, not) : null;
      return shorter != null && !pen.isTooLong(shorter.text()) ? shorter : best;
    }
    NounPhrase kind = kind(size, size - 1);
    return kind.isInformative() && !subject.isUnnamedPlural()
        ? result(kind, List.of(), subject.fullReference() + is() + kind.words())
        : withoutKind(size);
  }

  /** The same opening that sets out from another of the facts that matter most. */
  private Opening turned(int turn) {
    List<Message> turned = new ArrayList<>(messages);
    turned.replaceAll(m -> m.turned(turn));
    int from = Math.min(turn * 2 - 1, turned.size() - 1);
    if (from > 0 && from < FRONT_ROW) {
      turned.addFirst(turned.remove(from));
    }
    return new Opening(subject, keyword, turned, pen);
  }

  private String is() {
    return subject.plural() ? " are " : " is ";
  }

  /** What can be said besides the noun phrase: all of it, and by the forms that frames ask for. */
  private record Rest(
      List<Message> all, List<Message> verbs, List<Message> part, List<Message> withs) {}

  private Rest rest(NounPhrase kind, int size) {
    Rest rest =
        new Rest(new ArrayList<>(), new ArrayList<>(), new ArrayList<>(1), new ArrayList<>());
    for (Message m : messages) {
      if (kind.said().contains(m)) {
        continue;
      }
      rest.all.add(m);
      if (m.has(Form.VERB) && rest.verbs.size() < size) {
        rest.verbs.add(m);
      }
      if (m.has(Form.PART) && rest.part.isEmpty()) {
        rest.part.add(m);
      }
      if (m.has(Form.WITH) && !m.has(Form.VERB) && rest.withs.size() < size) {
        rest.withs.add(m);
      }
    }
    return rest;
  }

  /**
   * "Dace, tied with waxed thread, is a broom": what is only known of a heading may be beside the
   * point, and stands behind the kind.
   */
  private static boolean isBeside(List<Message> part) {
    return part.getFirst().fact().concept().isEmpty();
  }

  /** "A noise level of 72 dB and a housing" are nothing of one kind. */
  private static boolean areUnlike(List<Message> withs) {
    return withs.stream().map(Framing::isMeasure).distinct().count() > 1;
  }

  private Result put(OpeningFrame frame, NounPhrase kind, Rest rest) {
    List<Message> verbs = rest.verbs;
    List<Message> part = rest.part;
    List<Message> withs = rest.withs;
    String who = subject.fullReference();
    String what = kind.words();
    boolean keyed = keyword.usable();
    boolean told = kind.isInformative();
    // "Weir House: a holiday cottage." promises more than it holds.
    boolean rich = told && (!kind.said().isEmpty() || keyed);
    boolean full = rich || told && !part.isEmpty();
    return switch (frame) {
      case IS_PART -> part.isEmpty() ? null : result(kind, part, who + is() + what + behind(part));
      case PART_FIRST ->
          // "Rated for 10 kg, Presswell is an ironing board": one has nothing to do with the other.
          part.isEmpty()
                  || isBeside(part)
                  || part(part).indexOf(' ') < 0
                  || kind.said().isEmpty()
                  || part.getFirst().theme().equals("size")
              ? null
              : result(kind, part, part(part) + ", " + who + is() + what);
      case PART_MIDDLE ->
          part.isEmpty() || isBeside(part) || !rich || !part(part).contains(" ")
              ? null
              : result(kind, part, who + ", " + part(part) + "," + is() + what);
      case KIND_FIRST ->
          verbs.isEmpty() || !rich
              ? null
              : result(kind, verbs, what + ", " + who + " " + said(verbs));
      case IS_WITH ->
          // "Without oil with a satin finish" makes one read it twice.
          withs.isEmpty()
                  || what.contains(" without ")
                  || what.contains(" with ")
                  || areUnlike(withs)
              ? null
              : result(kind, withs, who + is() + what + " with " + with(withs));
      case WITH_FIRST ->
          // "With a matt finish, Glas is a sewing thread": only what one gets is worth the first
          // place.
          withs.isEmpty() || isBeside(withs) || !rich || !withs.stream().allMatch(Framing::isThing)
              ? null
              : result(kind, withs, "with " + with(withs) + ", " + who + is() + what);
      case IS_THAT ->
          verbs.isEmpty() ? null : result(kind, verbs, who + is() + what + " that " + said(verbs));
      case APPOSED ->
          verbs.isEmpty() || !told
              ? null
              : result(kind, verbs, who + ", " + what + ", " + said(verbs));
      case COLON ->
          full
              ? result(kind, part, who + ": " + what + (part.isEmpty() ? "" : ", " + part(part)))
              : null;
      case HERE ->
          full
              ? result(kind, part, what + (part.isEmpty() ? "" : ", " + part(part)) + ": " + who)
              : null;
      case FIGURES -> {
        List<Message> figures = new ArrayList<>(2);
        for (Message m : rest.all) {
          if (figures.size() < 2
              && m.has(Form.FRONT)
              && m.fact().value() instanceof Value.Quantity) {
            figures.add(m);
          }
        }
        yield figures.size() < 2 || !rich
            ? null
            : result(kind, figures, figures(figures) + ": " + who + is() + what);
      }
      case ASKED ->
          full && !keyed
              ? result(
                  kind,
                  part,
                  "what"
                      + is()
                      + who
                      + "? "
                      + English.capitalise(what)
                      + (part.isEmpty() ? "" : ", " + part(part)))
              : null;
      case MAKER ->
          subject.brand().isEmpty() || !full
              ? null
              : result(
                  kind,
                  part,
                  English.possessive(subject.brand())
                      + " "
                      + subject.bareReference()
                      + is()
                      + what
                      + (part.isEmpty() ? "" : ", " + part(part)));
      case FROM ->
          // "From Aldersmith comes Tern, a ring that comes in sizes 48–58."
          subject.brand().isEmpty() || !told || isComing(verbs)
              ? null
              : result(
                  kind,
                  verbs,
                  "from "
                      + subject.brand()
                      + (subject.plural() ? " come " : " comes ")
                      + subject.shortReference()
                      + ", "
                      + what
                      + (verbs.isEmpty() ? "" : " that " + said(verbs)));
      case YOU ->
          told
              ? result(
                  kind,
                  verbs,
                  "with "
                      + who
                      + " you get "
                      + what
                      + (verbs.isEmpty() ? "" : " that " + said(verbs)))
              : null;
      case DOING_FIRST -> {
        // "Weighing 155 g, Warden is a smoke alarm": one has nothing to do with the other.
        List<Message> doing =
            verbs.stream()
                .filter(m -> Framing.isGerundive(m) && !Framing.isBareMeasure(m))
                .limit(1)
                .toList();
        yield doing.isEmpty() || !rich
            ? null
            : result(
                kind,
                doing,
                Framing.doing(doing.getFirst().get(Form.VERB)) + ", " + who + is() + what);
      }
      case AT_FIRST -> {
        List<Message> front = rest.all.stream().filter(m -> m.has(Form.FRONT)).limit(1).toList();
        List<Message> against =
            verbs.stream()
                .filter(m -> !front.contains(m) && Framing.isSetAgainst(m))
                .limit(1)
                .toList();
        // "At 155 g, Warden is a smoke alarm" sets its weight against nothing.
        yield front.isEmpty() || against.isEmpty() || !rich
            ? null
            : result(
                kind,
                List.of(front.getFirst(), against.getFirst()),
                "%s, %s, %s, %s"
                    .formatted(front.getFirst().get(Form.FRONT), who, what, said(against)));
      }
      case FACT_FIRST ->
          verbs.isEmpty() || keyed || !rich
              ? null
              : result(
                  kind,
                  verbs,
                  who
                      + " "
                      + said(verbs)
                      + ". "
                      + English.capitalise(subject.pronoun())
                      + is()
                      + what);
    };
  }

  /** "Stile 4 by Pellow: grey socks, made of wool"; no verb has to agree with the name. */
  private Result putPlural(OpeningFrame frame, NounPhrase kind, Rest rest) {
    List<Message> verbs = rest.verbs;
    List<Message> part = rest.part;
    List<Message> withs = rest.withs;
    String who = subject.name() + (subject.brand().isEmpty() ? "" : " by " + subject.brand());
    String what = kind.words();
    if (what.equals(subject.kind())) {
      // "Socks, made of wool: Stile 4" says less of them than "Stile 4 socks are made of wool".
      List<Message> said = part.isEmpty() ? verbs.isEmpty() ? withs : verbs : part;
      return said.isEmpty() ? null : result(kind, said, subject.fullReference() + " " + said(said));
    }
    return switch (frame) {
      case COLON, IS_PART, MAKER ->
          part.isEmpty() ? null : result(kind, part, who + ": " + what + ", " + part(part));
      case IS_WITH, AT_FIRST ->
          withs.isEmpty() ? null : result(kind, withs, who + ": " + what + " with " + with(withs));
      case IS_THAT, APPOSED ->
          verbs.isEmpty() ? null : result(kind, verbs, who + ": " + what + " that " + said(verbs));
      case HERE, PART_FIRST, ASKED ->
          part.isEmpty() ? null : result(kind, part, what + ", " + part(part) + ": " + who);
      case KIND_FIRST, WITH_FIRST, FIGURES ->
          withs.isEmpty() ? null : result(kind, withs, what + " with " + with(withs) + ": " + who);
      case YOU ->
          verbs.isEmpty()
              ? null
              : result(kind, verbs, "with " + who + " you get " + what + " that " + said(verbs));
      case FROM ->
          subject.brand().isEmpty() || verbs.isEmpty() || isComing(verbs)
              ? null
              : result(
                  kind,
                  verbs,
                  "from "
                      + subject.brand()
                      + " come "
                      + subject.name()
                      + ", "
                      + what
                      + " that "
                      + said(verbs));
      default -> null;
    };
  }

  /** "A basin mixer for a deck", but "a basin mixer, made of brass". */
  private static String behind(List<Message> part) {
    String words = part(part);
    return (words.startsWith("for ") ? " " : ", ") + words;
  }

  private static String part(List<Message> part) {
    return part.getFirst().get(Form.PART);
  }

  private static String with(List<Message> withs) {
    return Framing.nouns(withs);
  }

  private String figures(List<Message> figures) {
    return English.list(figures.stream().map(m -> pen.values().prose(m.fact().value())).toList());
  }

  private Result result(NounPhrase kind, List<Message> used, String words) {
    int stop = words.indexOf("? ");
    if (stop < 0) {
      stop = words.indexOf(". " + English.capitalise(subject.pronoun()) + " ");
    }
    return new Result(
        stop < 0
            ? List.of(Framing.finish(words, pen.voice()))
            : List.of(
                Framing.finish(words.substring(0, stop + 1), pen.voice()),
                Framing.finish(words.substring(stop + 2), pen.voice())),
        kind,
        used);
  }

  /** For a product that can't be named by a noun: its name and what it does or has. */
  private Result withoutKind(int size) {
    List<Message> all = messages.stream().filter(m -> m.verb() != null).toList();
    if (all.isEmpty()) {
      return withClause();
    }
    String who = subject.fullReference();
    Result best = null;
    int least = Integer.MAX_VALUE;
    // Each turn sets out from another fact and puts another one first.
    for (int turn = 0; turn < TRIES && least > 0; turn++) {
      int from = turn / 2 % Math.max(1, Math.min(FRONT_ROW, all.size() - size + 1));
      List<Message> used = all.subList(from, Math.min(all.size(), from + size));
      Message first = used.getFirst();
      boolean turned = turn % 2 == 1 && used.size() == 2;
      String words;
      if (turned && first.has(Form.WITH) && !first.has(Form.VERB)) {
        words = "with " + first.get(Form.WITH) + ", " + who + " " + said(used.subList(1, 2));
      } else if (turned
          && first.has(Form.PART)
          && first.get(Form.PART).indexOf(' ') > 0
          && !first.theme().equals("size")
          && !Framing.isOfChoice(used.subList(1, 2))
          && !first.has(Form.VERB)) {
        words = first.get(Form.PART) + ", " + who + " " + said(used.subList(1, 2));
      } else {
        words = who + " " + said(turned ? used.reversed() : used);
      }
      int repeated = pen.faults("", words);
      if (repeated < least) {
        least = repeated;
        best = result(new NounPhrase("", subject.nameSupport(), Set.of(), false), used, words);
      }
    }
    return best;
  }

  private static boolean isComing(List<Message> verbs) {
    return verbs.stream().anyMatch(m -> m.verb().startsWith("come "));
  }

  private String said(List<Message> messages) {
    return Framing.said(messages, subject.plural());
  }

  private Result withClause() {
    Message m = messages.stream().filter(x -> x.has(Form.CLAUSE)).findFirst().orElse(null);
    if (m == null) {
      return null;
    }
    String clause = m.get(Form.CLAUSE);
    String words =
        clause.startsWith(Framing.SHARED)
            ? Framing.SHARED
                + "of "
                + subject.name()
                + " "
                + clause.substring(Framing.SHARED.length())
            : subject.fullReference() + ": " + clause;
    return result(new NounPhrase("", subject.nameSupport(), Set.of(), false), List.of(m), words);
  }
}
