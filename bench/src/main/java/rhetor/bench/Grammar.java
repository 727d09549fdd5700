package rhetor.bench;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.languagetool.JLanguageTool;
import org.languagetool.Languages;
import org.languagetool.rules.Rule;
import org.languagetool.rules.RuleMatch;
import org.languagetool.rules.spelling.SpellingCheckRule;

/** Finds grammar and spelling mistakes with LanguageTool in British English. */
final class Grammar {
  /** Texts of each voice that are checked: a paragraph takes about 50 ms. */
  private static final int OF_EACH = 107;

  /** Names of the made-up range, which no dictionary knows. */
  private static final List<String> NAMES =
      List.of(
          "Wendle",
          "Pellow",
          "Tollan",
          "Ashlode",
          "Tolvane",
          "Brightwick",
          "Kestering",
          "Lumley",
          "Marram",
          "Fennwick",
          "Oakhanger",
          "Heddle",
          "Burrell",
          "Cacaline",
          "Lathermoor",
          "Ledgerwell",
          "Houndsworth",
          "Fellside",
          "Wickham",
          "Aldersmith",
          "Gannet",
          "Sennick",
          "Hathering",
          "Harrowmere",
          "Ellery",
          "Ashcroft",
          "Varga",
          "Maud",
          "Tobin",
          "Ines",
          "Guji",
          "Huila",
          "Yirga",
          "Scree",
          "Bothy",
          "Byre",
          "Shieling",
          "Northgate",
          "Saltmarsh",
          "Tabula");

  /** Words of the trades that are in British dictionaries, but not in this one. */
  private static final List<String> TRADE =
      List.of(
          "lambswool", "matt", "ochre", "soya", "gsm", "drawcord", "flatlock", "GOTS-certified");

  /** Rules that are off, each with the reason. */
  private static final Map<String, String> OFF =
      Map.of(
          "OXFORD_SPELLING_Z_NOT_S", "it wants -ize, which British houses rarely write",
          "EN_DIACRITICS_REPLACE_ORTHOGRAPHY_CREPE", "crepe rubber has no accent",
          "HALO_HALLO", "it takes the name of a ring for a greeting",
          "IN_JANUARY", "it takes the title of a print, \"Estuary in March 4\", for a date");

  private Grammar() {}

  /** Prints findings per 1,000 words, and which they are. */
  static void print(Map<String, List<String>> texts) throws IOException {
    JLanguageTool tool = new JLanguageTool(Languages.getLanguageForShortCode("en-GB"));
    for (Rule rule : tool.getAllActiveRules()) {
      if (rule instanceof SpellingCheckRule spelling) {
        spelling.addIgnoreTokens(NAMES);
        spelling.addIgnoreTokens(TRADE);
      }
    }
    OFF.forEach(
        (rule, why) -> {
          tool.disableRule(rule);
          System.out.println("  off: " + rule + ", because " + why);
        });
    Map<String, Integer> byRule = new TreeMap<>();
    Map<String, String> examples = new HashMap<>();
    long words = 0;
    long found = 0;
    for (Map.Entry<String, List<String>> entry : texts.entrySet()) {
      List<String> all = entry.getValue();
      int step = Math.max(1, all.size() / OF_EACH);
      for (int i = 0; i < all.size(); i += step) {
        String text = all.get(i);
        words += text.split("\\s+").length;
        for (RuleMatch match : tool.check(text)) {
          found++;
          String flagged = text.substring(match.getFromPos(), match.getToPos());
          boolean spelling = match.getRule().isDictionaryBasedSpellingRule();
          String id = match.getRule().getId() + (spelling ? " " + flagged : "");
          byRule.merge(id, 1, Integer::sum);
          examples.putIfAbsent(
              id,
              entry.getKey()
                  + ": "
                  + text.substring(Math.max(0, match.getFromPos() - 30), match.getFromPos())
                  + "["
                  + flagged
                  + "]"
                  + text.substring(
                      match.getToPos(), Math.min(text.length(), match.getToPos() + 30)));
        }
      }
    }
    System.out.printf(
        Locale.ROOT,
        "text grammar-per-1000-words=%.2f (%d words)%n",
        found * 1000.0 / words,
        words);
    List<String> lines = new ArrayList<>();
    byRule.forEach((id, n) -> lines.add("  " + n + " " + id + " … " + examples.get(id) + " …"));
    lines.forEach(System.out::println);
  }
}
