package rhetor.core.knowledge;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;

/** Finds what keeps a class of products from being recognised and described. */
public final class ClassCheck {
  private static final Pattern ID = Pattern.compile("[a-z][a-z0-9]*(?:_[a-z0-9]+)*");
  private static final int LONGEST = 60;

  private ClassCheck() {}

  /** What is wrong with it, each with what to do; nothing if it can stand. */
  public static List<String> problems(ProductClass productClass, Knowledge knowledge) {
    List<String> problems = new ArrayList<>();
    if (!ID.matcher(productClass.id()).matches() || productClass.id().length() > LONGEST) {
      problems.add(
          "The short name may have small letters, digits and underscores, such as bicycle_bell.");
    }
    if (productClass.noun().isBlank() || productClass.noun().length() > LONGEST) {
      problems.add("Say what one of them is called in a sentence, such as \"bicycle bell\".");
    }
    if (productClass.plural().isBlank() || productClass.plural().length() > LONGEST) {
      problems.add("Say what several of them are called, such as \"bicycle bells\".");
    }
    List<String> names = productClass.names().getOrDefault("en", List.of());
    boolean shipped = knowledge.productClass(productClass.id()).isPresent();
    if (names.isEmpty() && !shipped) {
      problems.add("Say how sheets call them, a name a line, such as \"bicycle bells\".");
    }
    for (String name : names) {
      String lower = name.toLowerCase(Locale.ROOT);
      knowledge.classes().stream()
          .filter(c -> !c.id().equals(productClass.id()))
          .filter(c -> c.names().getOrDefault("en", List.of()).contains(lower))
          .findFirst()
          .ifPresent(
              c ->
                  problems.add(
                      "\"%s\" are taken for %s already. Choose another name."
                          .formatted(name, c.plural())));
    }
    for (String id : productClass.essential()) {
      if (knowledge.concept(id).isEmpty()) {
        problems.add("There is no kind of fact called \"" + id + "\" that has to be known.");
      }
    }
    productClass
        .matters()
        .forEach(
            (id, weight) -> {
              if (weight < 0 || weight > 100) {
                problems.add("How much \"" + id + "\" matters is a number from 0 to 100.");
              }
            });
    problems.addAll(TitlePattern.problems(productClass.title()));
    Set<String> both = new HashSet<>(productClass.specification());
    both.retainAll(productClass.unspecified());
    both.forEach(
        id -> problems.add("\"" + id + "\" is put into the specification and left out of it."));
    return problems;
  }
}
