package rhetor.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import rhetor.core.fact.Fact;
import rhetor.core.fact.Value;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.language.Words;
import rhetor.core.plan.Message.Form;

/**
 * Tells once what there is to say of a part, and of several parts together what they have in
 * common: "three steel legs", "the frame and the axle are of steel".
 */
final class PartsTogether {
  private static final int MOST_COUNTED = 100;
  private static final int MOST_TOGETHER = 3;

  private final Knowledge knowledge;
  private final Phrasebook phrasebook;

  PartsTogether(Knowledge knowledge, Phrasebook phrasebook) {
    this.knowledge = knowledge;
    this.phrasebook = phrasebook;
  }

  /** The messages with those of parts put together, in a new list. */
  List<Message> of(List<Message> messages) {
    List<Message> others = new ArrayList<>();
    Map<String, List<Message>> byPart = new LinkedHashMap<>();
    for (Message message : messages) {
      if (isToldBy(message, messages)) {
        continue;
      }
      concept(message)
          .flatMap(knowledge::partOf)
          .ifPresentOrElse(
              part -> byPart.computeIfAbsent(part, p -> new ArrayList<>()).add(message),
              () -> others.add(message));
    }
    Map<Value, List<Message>> byStuff = new LinkedHashMap<>();
    byPart.forEach(
        (part, of) -> {
          Optional<Message> stuff = first(of, Concept.Kind.TERMS);
          Optional<Message> count = first(of, Concept.Kind.COUNT);
          Optional<Message> both = stuff.flatMap(s -> count.flatMap(c -> counted(part, c, s)));
          if (both.isPresent()) {
            others.add(both.get());
          } else if (stuff.isPresent()) {
            byStuff
                .computeIfAbsent(stuff.get().fact().value(), v -> new ArrayList<>())
                .add(stuff.get());
          } else {
            // How many there are says more than how large they are.
            others.add(count.orElse(of.getFirst()));
          }
        });
    byStuff.values().forEach(same -> others.addAll(ofOneStuff(same)));
    return comingTogether(others);
  }

  /** "Cable: Y" beside "Included: cable" says nothing more. */
  private boolean isToldBy(Message message, List<Message> messages) {
    return concept(message)
        .flatMap(knowledge::partLike)
        .filter(
            part ->
                messages.stream()
                    .filter(m -> concept(m).flatMap(knowledge::partOf).isEmpty())
                    .flatMap(m -> m.phrases().byForm().values().stream().flatMap(List::stream))
                    .anyMatch(phrase -> Words.find(part, phrase) >= 0))
        .isPresent();
  }

  private Optional<Concept> concept(Message message) {
    return knowledge.concept(message.fact().concept());
  }

  private Optional<Message> first(List<Message> messages, Concept.Kind kind) {
    return messages.stream()
        .filter(m -> m.has(Form.WITH))
        .filter(m -> concept(m).filter(c -> c.kind() == kind).isPresent())
        .findFirst();
  }

  private Optional<Message> counted(String part, Message count, Message stuff) {
    if (!(count.fact().value() instanceof Value.Quantity q)
        || q.amount().stripTrailingZeros().scale() > 0
        || q.amount().intValue() > MOST_COUNTED) {
      return Optional.empty();
    }
    Map<Form, List<String>> words =
        phrasebook.countedParts(part, q.amount().intValue(), phrases(stuff));
    return words.isEmpty()
        ? Optional.empty()
        : Optional.of(stuff.together(List.of(count.fact()), words));
  }

  private List<Message> ofOneStuff(List<Message> same) {
    if (same.size() < 2) {
      return same;
    }
    Map<Form, List<String>> words =
        phrasebook.partsOfOneStuff(same.stream().map(m -> phrases(m).getFirst()).toList());
    List<Fact> also = same.stream().skip(1).map(Message::fact).toList();
    return words.isEmpty() ? same : List.of(same.getFirst().together(also, words));
  }

  /** What comes with a thing, in one sentence. */
  private List<Message> comingTogether(List<Message> messages) {
    List<Message> loose =
        messages.stream()
            .filter(
                m ->
                    concept(m)
                        .flatMap(knowledge::partLike)
                        .filter(knowledge::isLoose)
                        .filter(part -> m.has(Form.VERB))
                        .isPresent())
            .limit(MOST_TOGETHER)
            .toList();
    if (loose.size() < 2) {
      return messages;
    }
    Map<Form, List<String>> words =
        phrasebook.comingTogether(
            loose.stream().map(m -> m.phrases().byForm().get(Form.VERB).getFirst()).toList());
    List<Message> all = new ArrayList<>(messages);
    all.removeAll(loose.subList(1, loose.size()));
    List<Fact> also = loose.stream().skip(1).map(Message::fact).toList();
    all.replaceAll(m -> m == loose.getFirst() ? m.together(also, words) : m);
    return all;
  }

  private static List<String> phrases(Message message) {
    return message.phrases().byForm().get(Form.WITH);
  }
}
