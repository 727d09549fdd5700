package rhetor.core.template;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import rhetor.core.knowledge.Concept;
import rhetor.core.knowledge.Knowledge;
import rhetor.core.style.Field;
import rhetor.core.style.Style;
import rhetor.core.style.StyleProblem;

/** Finds out whether a template can be obeyed. */
public final class TemplateCheck {
  private static final int MOST_PARTS = 20;
  private static final int MOST_QUESTIONS = 30;
  private static final int LONGEST_HEADING = 80;

  /** Slots that every product fills. */
  public static final List<String> ALWAYS = List.of("name", "brand", "kind", "keyword", "sku");

  /** What a prompt has besides: the brief's settings in words. */
  public static final List<String> IN_PROMPT =
      List.of(
          "voice",
          "audience",
          "lengths",
          "banned",
          "required",
          "outline",
          "instructions",
          "claims",
          "sheet",
          "language");

  private TemplateCheck() {}

  /**
   * All problems of a template; none if it can be kept.
   *
   * @param house the style that it is on top of
   * @param further names of slots that sheets fill besides the known concepts: ids of other facts
   */
  public static List<TemplateProblem> problems(
      Template template, Knowledge knowledge, Style house, Set<String> further) {
    List<TemplateProblem> problems = new ArrayList<>();
    Set<String> known = slots(template, knowledge);
    known.addAll(further);
    questions(template, problems);
    outline(template, known, problems);
    template
        .fields()
        .forEach(
            (field, text) -> {
              String where = "fields." + field.code();
              if (field == Field.DESCRIPTION || field.isList()) {
                problems.add(
                    new TemplateProblem(
                        where, 0, 0, field.label() + " is built from blocks, not from a line."));
              } else {
                problems.addAll(OwnText.problems(where, text, known));
              }
            });
    known.addAll(IN_PROMPT);
    problems.addAll(OwnText.problems("prompt", template.prompt(), known));
    StyleProblem.of(template.style().over(house))
        .forEach(p -> problems.add(new TemplateProblem("style." + p.where(), 0, 0, p.why())));
    return problems;
  }

  /** The names of the slots that a template can use. */
  public static Set<String> slots(Template template, Knowledge knowledge) {
    Set<String> known = new TreeSet<>(ALWAYS);
    knowledge.concepts().stream().map(Concept::id).forEach(known::add);
    template.questions().forEach(q -> known.add(q.key()));
    return known;
  }

  private static void questions(Template template, List<TemplateProblem> problems) {
    Set<String> keys = new HashSet<>();
    List<Question> questions = template.questions();
    if (questions.size() > MOST_QUESTIONS) {
      problems.add(whole("questions", "A template asks up to " + MOST_QUESTIONS + " questions."));
    }
    for (int i = 0; i < questions.size(); i++) {
      Question q = questions.get(i);
      String where = "questions." + i;
      if (!q.key().matches("[a-z][a-z0-9_]{0,39}")) {
        problems.add(
            whole(
                where,
                "\"%s\" is no name for a slot: small letters, digits and underscores, a letter first."
                    .formatted(q.key())));
      } else if (!keys.add(q.key())) {
        problems.add(whole(where, "\"%s\" is asked twice.".formatted(q.key())));
      } else if (ALWAYS.contains(q.key())) {
        problems.add(whole(where, "\"%s\" is known of every product.".formatted(q.key())));
      }
      if (q.label().isEmpty()) {
        problems.add(whole(where, "The question has no words."));
      }
    }
  }

  private static void outline(
      Template template, Set<String> known, List<TemplateProblem> problems) {
    List<Part> outline = template.outline();
    if (outline.size() > MOST_PARTS) {
      problems.add(whole("outline", "A description has up to " + MOST_PARTS + " blocks."));
    }
    Set<Part.Kind> seen = new HashSet<>();
    for (int i = 0; i < outline.size(); i++) {
      Part part = outline.get(i);
      String where = "outline." + i;
      if (part.kind() != Part.Kind.OWN && !seen.add(part.kind())) {
        problems.add(whole(where, "This block is in the outline already. Take one of them out."));
      }
      if (part.heading().length() > LONGEST_HEADING) {
        problems.add(whole(where, "A heading has up to " + LONGEST_HEADING + " characters."));
      }
      if (part.kind() == Part.Kind.OWN) {
        if (part.text().isEmpty()) {
          problems.add(whole(where, "The block has no words. Type some, or take it out."));
        }
        problems.addAll(OwnText.problems(where, part.text(), known));
      }
    }
  }

  private static TemplateProblem whole(String where, String why) {
    return new TemplateProblem(where, 0, 0, why);
  }
}
