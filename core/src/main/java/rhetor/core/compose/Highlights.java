package rhetor.core.compose;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import rhetor.core.knowledge.Claim;
import rhetor.core.language.English;
import rhetor.core.plan.Message;
import rhetor.core.plan.Message.Form;
import rhetor.core.say.en.Echo;
import rhetor.core.say.en.Framing;
import rhetor.core.say.en.Pen;
import rhetor.core.say.en.Subject;
import rhetor.core.style.Field;
import rhetor.core.text.Block;
import rhetor.core.text.Draft;
import rhetor.core.text.Sentence;
import rhetor.core.text.Support;

/** Writes the few points that a shopper in a hurry reads: a fact each, and what it is good for. */
final class Highlights {
  private static final int MOST = 5;
  private static final int LEAST = 3;
  private static final int LONGEST = 90;
  private static final Pattern ARTICLE = Pattern.compile("^an? ");
  private static final Pattern BE = Pattern.compile("^(?:is|are) ");

  private final Subject subject;
  private final List<Message> messages;
  private final Pen pen;

  Highlights(Subject subject, List<Message> messages, Pen pen) {
    this.subject = subject;
    this.messages = messages;
    this.pen = pen;
  }

  /** Three to five points, or none if there is too little to point out. */
  List<Sentence> entries() {
    List<Sentence> entries = new ArrayList<>();
    for (Message m : messages) {
      if (entries.size() == MOST) {
        break;
      }
      String point = point(m);
      if (!point.isEmpty() && point.length() <= LONGEST) {
        entries.add(entry(m, point));
      }
    }
    while (!entries.isEmpty() && !pen.style().fits(Field.HIGHLIGHTS, text(entries))) {
      entries.removeLast();
    }
    return entries.size() < LEAST ? List.of() : entries;
  }

  private static String text(List<Sentence> entries) {
    return Draft.text(List.of(new Block(Block.Kind.LIST, entries)));
  }

  private Sentence entry(Message m, String point) {
    for (Claim claim : m.claims()) {
      List<String> whole = claim.so().stream().filter(s -> !s.contains("{")).toList();
      if (!whole.isEmpty()) {
        String so = pen.rotation().pick(claim.id() + ".point", whole);
        String both = point + ": " + so;
        return !so.contains("~") && both.length() <= LONGEST && !Echo.overlaps(point, so)
            ? new Sentence(both, List.of(m.support(), Support.claim(claim.id())))
            : new Sentence(point, List.of(m.support()));
      }
    }
    return new Sentence(point, List.of(m.support()));
  }

  /** The fact without a subject: "Holds 20 litres", "Roll-top closure". */
  private String point(Message m) {
    // "Of cotton" (a phrase for openings) points out nothing.
    boolean part = m.has(Form.PART) && !m.get(Form.PART).startsWith("of ");
    String words =
        part
            ? m.get(Form.PART)
            : m.has(Form.WITH)
                ? ARTICLE.matcher(Framing.things(List.of(m.get(Form.WITH)))).replaceFirst("")
                : m.has(Form.VERB)
                    ? BE.matcher(Framing.predicate(List.of(m.get(Form.VERB)), subject.plural()))
                        .replaceFirst("")
                    : "";
    return m.theme().equals("care") || m.theme().equals("included")
        ? ""
        : English.capitalise(words);
  }
}
