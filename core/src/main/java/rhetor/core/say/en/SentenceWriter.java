package rhetor.core.say.en;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Claim;
import rhetor.core.language.English;
import rhetor.core.plan.Message;
import rhetor.core.plan.Message.Form;
import rhetor.core.plan.Planner;
import rhetor.core.style.SentenceFrame;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/**
 * Builds grammatical sentences from groups of messages, in the frames that the voice prefers; of
 * several ways to put a group it takes the first that repeats little of what the house has said.
 */
public final class SentenceWriter {
  /** Longer sentences are split in two. */
  private static final int LONGEST = 190;

  /** Ways that are tried before the least repetitive is taken. */
  private static final int TRIES = 5;

  /** Words of a repeated run for each of which a sentence is allowed one repetition. */
  private static final int REPETITIVE = 9;

  private static final int LETTERS = 6;

  private static final int MOST_JOINED = 3;

  /** Groups of which the least repetitive is taken next. */
  private static final int AHEAD = 2;

  private static final Pattern STOP = Pattern.compile("\\. ");
  private static final Pattern AGREE = Pattern.compile("~([a-z]+)");

  /** Frames that may not follow one another: two fronted phrases in a row are a mannerism. */
  private static final Set<SentenceFrame> FRONTED =
      Set.of(
          SentenceFrame.PART_FIRST,
          SentenceFrame.WITH_FIRST,
          SentenceFrame.DOING_FIRST,
          SentenceFrame.AT_FIRST);

  /** Frames that a text bears once. */
  private static final Set<SentenceFrame> ONCE =
      Set.of(
          SentenceFrame.FRAGMENT,
          SentenceFrame.QUESTION,
          SentenceFrame.THERE,
          SentenceFrame.YOU,
          SentenceFrame.LEAD);

  private final Subject subject;
  private final Pen pen;
  private final List<Support> benefitsTold = new ArrayList<>();

  /** What has been said to be good: linen and waffle both dry fast. */
  private final Set<String> said = new HashSet<>();

  private final Set<String> reasonsUsed = new HashSet<>();
  private final List<SentenceFrame> framesUsed = new ArrayList<>();
  private final Map<String, Integer> reasonWeights;
  private String written;
  private String lastStart = "";
  private boolean lastAboutProduct = true;

  /**
   * @param written what stands before the first sentence, or empty
   */
  public SentenceWriter(Subject subject, Pen pen, String written) {
    this.subject = subject;
    this.pen = pen;
    this.reasonWeights = weights(pen.voice().reasons());
    this.written = written;
  }

  /**
   * One way to put a group.
   *
   * @param texts a sentence or two
   * @param framing the messages as they stand in it, null where a claim is made of one
   * @param named whether it refers to the product by its name
   * @param claim the claim it makes, null if none
   * @param reason how it joins the claim, or empty
   * @param benefit the claim or the range's figures that it rests on besides; null if neither
   * @param repeated how many runs of words it has in common with other texts
   */
  private record Way(
      List<String> texts,
      SentenceFrame frame,
      Framing framing,
      boolean named,
      Claim claim,
      String reason,
      Support benefit,
      String text,
      int repeated) {

    boolean isRepetitive() {
      return repeated > text.length() / (LETTERS * REPETITIVE);
    }

    boolean isLongerThan(int characters) {
      return text.length() > characters && texts.stream().anyMatch(t -> t.length() > characters);
    }
  }

  private Way way(
      List<String> words,
      SentenceFrame frame,
      Framing framing,
      boolean named,
      Claim claim,
      String reason) {
    List<String> texts = new ArrayList<>(words.size());
    words.forEach(w -> texts.add(Framing.finish(w, pen.voice())));
    return way(
        texts,
        frame,
        framing,
        named,
        claim,
        reason,
        claim == null ? null : Support.claim(claim.id()));
  }

  private Way way(
      List<String> texts,
      SentenceFrame frame,
      Framing framing,
      boolean named,
      Claim claim,
      String reason,
      Support benefit) {
    String text = texts.size() == 1 ? texts.getFirst() : String.join(" ", texts);
    return new Way(
        texts, frame, framing, named, claim, reason, benefit, text, pen.faults(written, text));
  }

  /**
   * Sentences for groups, in an order in which they repeat little.
   *
   * @param startsParagraph whether the first of them starts a paragraph
   */
  public List<Sentence> writeAll(List<List<Message>> groups, boolean startsParagraph) {
    List<List<Message>> left = new ArrayList<>(groups);
    List<Sentence> sentences = new ArrayList<>();
    while (!left.isEmpty()) {
      boolean starts = startsParagraph && sentences.isEmpty();
      int next = 0;
      Way best = best(left.getFirst(), starts);
      for (int i = 1; i < Math.min(left.size(), AHEAD) && best.isRepetitive(); i++) {
        Way other = best(left.get(i), starts);
        if (other.repeated * best.text.length() < best.repeated * other.text.length()) {
          best = other;
          next = i;
        }
      }
      List<Message> group = left.get(next);
      if (best.isRepetitive() && next + 1 < left.size() && isJoinable(group, left.get(next + 1))) {
        List<Message> joined = new ArrayList<>(group);
        joined.addAll(left.get(next + 1));
        Way whole = best(joined, starts);
        if (!whole.isRepetitive()) {
          left.remove(next + 1);
          best = whole;
          group = joined;
        }
      }
      left.remove(next);
      sentences.addAll(write(group, best, starts));
    }
    return sentences;
  }

  private static boolean isJoinable(List<Message> group, List<Message> next) {
    return group.size() + next.size() <= MOST_JOINED
        && group.stream().allMatch(m -> m.verb() != null && !Planner.isAlone(m))
        && next.stream().allMatch(m -> m.verb() != null && !Planner.isAlone(m));
  }

  /** Sentences for one group, usually one. */
  public List<Sentence> write(List<Message> group, boolean startsParagraph) {
    return write(group, best(group, startsParagraph), startsParagraph);
  }

  /** Characters above which a sentence is split; the house may want it shorter. */
  private int longest() {
    int words = pen.style().tuning().sentenceWords();
    return words == 0 ? LONGEST : Math.min(LONGEST, words * LETTERS);
  }

  private List<Sentence> write(List<Message> group, Way way, boolean startsParagraph) {
    if (way.isLongerThan(longest()) && group.size() > 1) {
      int half = (group.size() + 1) / 2;
      List<Sentence> split = new ArrayList<>(write(group.subList(0, half), startsParagraph));
      split.addAll(write(group.subList(half, group.size()), false));
      return split;
    }
    framesUsed.add(way.frame);
    List<Support> all = support(group);
    if (way.benefit != null) {
      benefitsTold.add(way.benefit);
      all.add(way.benefit);
    }
    if (way.claim != null) {
      said.addAll(way.claim.so());
      reasonsUsed.add(way.reason);
    }
    written = way.text;
    lastStart = firstWord(way.texts.getLast());
    lastAboutProduct =
        way.frame != SentenceFrame.FRAGMENT
            && way.frame != SentenceFrame.QUESTION
            && group.stream().anyMatch(m -> m.verb() != null);
    List<Sentence> sentences = new ArrayList<>();
    for (int i = 0; i < way.texts.size(); i++) {
      List<Support> support =
          way.framing == null
              ? new ArrayList<>(all)
              : support(way.framing.toldBy(i, way.texts.size()));
      if (way.named) {
        support.addAll(subject.nameSupport());
      }
      sentences.add(new Sentence(way.texts.get(i), support));
    }
    return sentences;
  }

  private static List<Support> support(List<Message> messages) {
    List<Support> support = new ArrayList<>(messages.size() + 1);
    messages.forEach(m -> support.addAll(m.supports()));
    return support;
  }

  /** The word that a sentence starts with, without what is contracted with it: "it" of "it’s". */
  private static String firstWord(String sentence) {
    String word = English.firstWord(sentence);
    int contracted = word.indexOf('’');
    return contracted < 0 ? word : word.substring(0, contracted);
  }

  /** How many sentences say what a fact is good for, or how it compares. */
  private int benefits() {
    return benefitsTold.size();
  }

  private Way best(List<Message> group, boolean startsParagraph) {
    // What a fact is good for is worth a turn of phrase that others have too.
    Way claimed = claimed(group, startsParagraph);
    if (claimed != null) {
      return claimed;
    }
    Way best = null;
    int tries = 0;
    List<SentenceFrame> frames = frames();
    for (int turn = 0; turn < 3 && tries < TRIES && (best == null || best.isRepetitive()); turn++) {
      Framing framing = new Framing(subject, pen.values(), turn == 0 ? group : turned(group, turn));
      for (SentenceFrame frame : frames) {
        Way way = put(frame, framing, startsParagraph);
        if (way == null) {
          continue;
        }
        if (best == null || way.repeated < best.repeated) {
          best = way;
        }
        if (!best.isRepetitive() || ++tries >= TRIES) {
          break;
        }
      }
    }
    return best != null
        ? best
        : put(SentenceFrame.PLAIN, new Framing(subject, pen.values(), group), startsParagraph);
  }

  /** The voice's frames in a random order; its signature first as long as the text lacks it. */
  private List<SentenceFrame> frames() {
    List<SentenceFrame> frames = pen.rotation().ordered(pen.voice().frames());
    Set<SentenceFrame> signature = pen.voice().signature();
    if (Collections.disjoint(framesUsed, signature)) {
      frames.sort(Comparator.comparing(f -> !signature.contains(f)));
    }
    return frames;
  }

  /** A fact and what it is good for, where a claim says that; else null. */
  private Way claimed(List<Message> group, boolean startsParagraph) {
    if (group.size() > 1
        || group.getFirst().verb() == null
        || benefits() >= pen.voice().benefits()) {
      return null;
    }
    Message message = group.getFirst();
    if (message.contrast().isPresent()) {
      return contrasted(message, startsParagraph);
    }
    return claim(message).map(c -> withClaim(message, c, startsParagraph)).orElse(null);
  }

  private static List<Message> turned(List<Message> group, int turn) {
    List<Message> turned = new ArrayList<>(group);
    turned.replaceAll(m -> m.turned(turn));
    Collections.rotate(turned, turn);
    return turned;
  }

  /** The group in a frame; null if it doesn't fit. */
  private Way put(SentenceFrame frame, Framing framing, boolean startsParagraph) {
    boolean mannered =
        ONCE.contains(frame) && framesUsed.contains(frame)
            || frame == SentenceFrame.LEAD && (written.isEmpty() || pen.voice().leads().isEmpty())
            || frame == SentenceFrame.BARE && framesUsed.isEmpty() && written.isEmpty()
            || FRONTED.contains(frame)
                && !framesUsed.isEmpty()
                && FRONTED.contains(framesUsed.getLast());
    if (mannered) {
      return null;
    }
    boolean noSubject =
        framing.isOnlyClauses()
            || frame == SentenceFrame.FRAGMENT
            || frame == SentenceFrame.BARE
            || frame == SentenceFrame.QUESTION;
    boolean noun =
        startsParagraph || frame == SentenceFrame.WHICH || frame == SentenceFrame.PART_MIDDLE;
    String who = noSubject ? "" : refer(noun, framing.firstVerb());
    List<String> words = framing.put(frame, who, startsParagraph);
    if (words == null) {
      return null;
    }
    if (frame == SentenceFrame.LEAD) {
      String lead = pen.rotation().pick("lead." + pen.voice().id(), pen.voice().leads());
      words = List.of(lead.replace("{main}", words.getFirst()));
    }
    return way(words, frame, framing, who.equals(subject.shortReference()), null, "");
  }

  private Optional<Claim> claim(Message message) {
    for (Claim claim : message.claims()) {
      boolean told =
          claim.so().isEmpty()
              || benefitsTold.contains(Support.claim(claim.id()))
              || !Collections.disjoint(claim.so(), said);
      // "It has room for four, so a family has room" echoes.
      if (!told && claim.so().stream().anyMatch(so -> !Echo.overlaps(message.verb(), so))) {
        return Optional.of(claim);
      }
    }
    return Optional.empty();
  }

  /** A figure and what it means among the others: "it weighs 820 g, less than most". */
  private Way contrasted(Message message, boolean startsParagraph) {
    String who = refer(startsParagraph, message.verb());
    String words = ", " + message.contrast().orElseThrow().words();
    String main = who + " " + Framing.predicate(List.of(message.verb()), subject.plural());
    return way(
        List.of(Framing.finish(main + words, pen.voice())),
        SentenceFrame.PLAIN,
        null,
        who.equals(subject.shortReference()),
        null,
        "",
        Support.range(message.contrast().orElseThrow().grounds()));
  }

  /**
   * A fact and what it is good for, joined in one of the voice's ways: the first that repeats
   * little of what the house has said.
   */
  private Way withClaim(Message message, Claim claim, boolean startsParagraph) {
    List<String> reasons = pen.rotation().ordered(reasonWeights);
    int turn = pen.rotation().turn(claim.id());
    Way best = null;
    int tries = 0;
    for (int shift = 0; shift < Math.max(2, claim.so().size()); shift++) {
      Message turned = message.turned(shift);
      String bare = claim.so().get(Math.floorMod(turn + shift, claim.so().size()));
      String so = clause(bare, subject.plural());
      // "It is suitable for gas hobs, so gas is fine" echoes.
      if (Echo.overlaps(turned.verb(), so)) {
        continue;
      }
      for (String reason : reasons) {
        Way way = withClaim(turned, claim, bare, so, reason, startsParagraph);
        if (way != null && (best == null || way.repeated < best.repeated)) {
          best = way;
        }
        if (best != null && (!best.isRepetitive() || ++tries >= TRIES)) {
          return best;
        }
      }
    }
    return best != null ? best : plainly(message, claim, startsParagraph);
  }

  private Way plainly(Message message, Claim claim, boolean startsParagraph) {
    String bare = claim.so().getFirst();
    String so = clause(bare, subject.plural());
    return Echo.overlaps(message.verb(), so)
        ? null
        : withClaim(message, claim, bare, so, "{main}, so {so}", startsParagraph);
  }

  /**
   * The fact with a clause of the claim; null if they don't go together in that way.
   *
   * @param bare the clause as the claim has it
   * @param so the clause made to agree with the subject
   */
  private Way withClaim(
      Message message,
      Claim claim,
      String bare,
      String so,
      String reason,
      boolean startsParagraph) {
    boolean part = !reason.contains("{part}") || message.has(Form.PART) && bare.startsWith("{it}");
    boolean with =
        !reason.contains("{with}")
            || message.has(Form.WITH) && !Echo.overlaps(message.get(Form.WITH), so);
    if (!part || reasonsUsed.contains(reason) || !with) {
      return null;
    }
    String who = refer(startsParagraph, message.verb());
    String words =
        reason
            .replace(
                "{main}", who + " " + Framing.predicate(List.of(message.verb()), subject.plural()))
            .replace("{so}", so)
            .replace(
                "{with}",
                message.has(Form.WITH) ? Framing.things(List.of(message.get(Form.WITH))) : "")
            .replace("{part}", message.has(Form.PART) ? message.get(Form.PART) : "");
    return way(
        words.contains(". ") ? List.of(STOP.split(words)) : List.of(words),
        SentenceFrame.PLAIN,
        null,
        who.equals(subject.shortReference()),
        claim,
        reason);
  }

  private static Map<String, Integer> weights(List<String> reasons) {
    Map<String, Integer> weights = new LinkedHashMap<>();
    reasons.forEach(r -> weights.merge(r, 1, Integer::sum));
    return weights;
  }

  /**
   * Pronoun, noun or name: the pronoun where the last sentence didn't begin with it, else now the
   * noun and now the name.
   */
  private String refer(boolean noun, String verb) {
    boolean pronounAgain = lastStart.equalsIgnoreCase(subject.pronoun());
    // "The lock locks with a key" stutters.
    boolean stutters = verb.startsWith(subject.noun() + " ");
    boolean pronoun = pen.voice().pronouns() || lastStart.equals("The");
    if (!noun && !pronounAgain && lastAboutProduct && pronoun) {
      return subject.pronoun();
    }
    boolean byName =
        subject.noun().isEmpty() || stutters || !subject.isLong() && framesUsed.size() % 3 == 2;
    return byName ? subject.shortReference() : "the " + subject.noun();
  }

  /** A claim's clause of one thing or several: "they dry fast" for "{it} ~dry fast". */
  public static String clause(String so, boolean plural) {
    String clause =
        so.replace("{it}", plural ? "they" : "it")
            .replace("{them}", plural ? "them" : "it")
            .replace('\'', '’');
    if (clause.indexOf('~') < 0) {
      return clause;
    }
    Matcher m = AGREE.matcher(clause);
    StringBuilder out = new StringBuilder();
    while (m.find()) {
      m.appendReplacement(out, English.agree(m.group(1), plural));
    }
    return m.appendTail(out).toString();
  }
}
