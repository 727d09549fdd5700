package rhetor.core.template;

import com.github.jknack.handlebars.internal.HbsLexer;
import com.github.jknack.handlebars.internal.HbsParser;
import com.github.jknack.handlebars.internal.antlr.CharStreams;
import com.github.jknack.handlebars.internal.antlr.CommonTokenStream;
import com.github.jknack.handlebars.internal.antlr.ParserRuleContext;
import com.github.jknack.handlebars.internal.antlr.Token;
import com.github.jknack.handlebars.internal.antlr.tree.ParseTree;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Holds a text's tags to the few that a house's own words need: slots, conditions and lists. All
 * else that Handlebars knows is refused by not being on the list.
 */
final class TagCheck {
  /** Lists within lists, each of which multiplies what is written. */
  private static final int MOST_LISTS = 3;

  private static final int MOST_BLOCKS = 8;
  private static final int MOST_TAGS = 1_000;
  private static final Set<String> CONDITIONS = Set.of("if", "unless");
  private static final Set<String> LISTS = Set.of("each", "with");

  /** A tag that opens or closes a block; {@code {{^}}} alone is an else. */
  private static final Pattern TAG = Pattern.compile("\\{\\{\\{*~?\\s*([#^/]?)\\s*([^}]?)");

  private final Predicate<String> isKnown;
  private final List<Finding> found = new ArrayList<>();

  private TagCheck(Predicate<String> isKnown) {
    this.isKnown = isKnown;
  }

  /**
   * Something that can't stay.
   *
   * @param line from 1
   * @param column from 1
   * @param unknown the name that nothing goes by; empty if it is something else
   * @param why what is wrong, and what to do; empty if a name is unknown
   */
  record Finding(int line, int column, String unknown, String why) {}

  /**
   * What in a text is nested too deeply to be read at all; nothing if it can be read.
   *
   * @return at most one finding; {@code line} and {@code column} of where it goes too deep
   */
  static List<Finding> depth(String source) {
    Matcher tag = TAG.matcher(source);
    int depth = 0;
    int tags = 0;
    while (tag.find()) {
      boolean opens =
          tag.group(1).equals("#") || tag.group(1).equals("^") && !tag.group(2).isEmpty();
      depth += opens ? 1 : tag.group(1).equals("/") ? -1 : 0;
      tags++;
      if (depth > MOST_BLOCKS) {
        return List.of(
            at(source, tag.start(), "Blocks stand %d deep at most.".formatted(MOST_BLOCKS)));
      }
      if (tags > MOST_TAGS) {
        return List.of(
            at(source, tag.start(), "A text has %,d slots at most.".formatted(MOST_TAGS)));
      }
    }
    return List.of();
  }

  private static Finding at(String source, int place, String why) {
    String before = source.substring(0, place);
    int start = before.lastIndexOf('\n') + 1;
    return new Finding(
        (int) before.chars().filter(c -> c == '\n').count() + 1, place - start + 1, "", why);
  }

  /**
   * What in a text is not allowed, in its order.
   *
   * @param source a text that Handlebars can read and that is not too deep
   * @param isKnown whether a slot of that name can be filled
   */
  static List<Finding> findings(String source, Predicate<String> isKnown) {
    TagCheck check = new TagCheck(isKnown);
    HbsLexer lexer = new HbsLexer(CharStreams.fromString(source), "{{", "}}");
    lexer.removeErrorListeners();
    HbsParser parser = new HbsParser(new CommonTokenStream(lexer));
    parser.removeErrorListeners();
    check.walk(parser.template(), 0);
    return List.copyOf(check.found);
  }

  private void walk(ParseTree node, int lists) {
    int within = lists;
    switch (node) {
      case HbsParser.PartialContext p -> refuse(p, "A text can't include another one or itself.");
      case HbsParser.PartialBlockContext p ->
          refuse(p, "A text can't include another one or itself.");
      case HbsParser.RawBlockContext p -> refuse(p, "Raw blocks aren't known here.");
      case HbsParser.DelimitersContext p -> refuse(p, "Slots are written {{name}} throughout.");
      case HbsParser.BlockParamsContext p ->
          refuse(p, "A list's entries have no names of their own; write {{value}}.");
      case HbsParser.BlockContext b -> within = block(b, lists);
      case HbsParser.ElseStmtChainContext e -> {
        if (e.sexpr() != null) {
          helper(e.sexpr(), e.sexpr().QID().getText());
        }
      }
      case HbsParser.UnlessContext u -> slot(u.sexpr());
      case HbsParser.VarContext v -> {
        if (v.DECORATOR() != null) {
          refuse(v, "A text can't include another one or itself.");
        } else {
          slot(v.sexpr());
        }
      }
      case HbsParser.TvarContext v -> slot(v.sexpr());
      case HbsParser.AmpvarContext v -> slot(v.sexpr());
      default -> {}
    }
    for (int i = 0; i < node.getChildCount(); i++) {
      walk(node.getChild(i), within);
    }
  }

  /** Checks how a block begins; how many lists its body stands in. */
  private int block(HbsParser.BlockContext block, int lists) {
    if (block.DECORATOR() != null) {
      refuse(block, "A text can't include another one or itself.");
      return lists;
    }
    String name = block.sexpr().QID().getText();
    if (CONDITIONS.contains(name) || LISTS.contains(name)) {
      helper(block.sexpr(), name);
    } else {
      slot(block.sexpr());
    }
    int within = CONDITIONS.contains(name) ? lists : lists + 1;
    if (within > MOST_LISTS) {
      refuse(block, "Lists are taken apart %d deep at most.".formatted(MOST_LISTS));
    }
    return within;
  }

  /** A condition or list, which takes one slot and nothing else. */
  private void helper(HbsParser.SexprContext tag, String name) {
    if (!CONDITIONS.contains(name) && !LISTS.contains(name)) {
      unknown(tag.QID().getSymbol());
    } else if (tag.param().size() == 1
        && tag.hash().isEmpty()
        && tag.param(0) instanceof HbsParser.RefParamContext slot) {
      known(slot.QID().getSymbol());
    } else {
      refuse(tag, "It takes one slot and nothing else: {{#%s name}}.".formatted(name));
    }
  }

  private void slot(HbsParser.SexprContext tag) {
    if (known(tag.QID().getSymbol()) && (!tag.param().isEmpty() || !tag.hash().isEmpty())) {
      refuse(tag, "A slot is written with its name alone: {{%s}}.".formatted(tag.QID().getText()));
    }
  }

  private boolean known(Token name) {
    if (isKnown.test(name.getText())) {
      return true;
    }
    unknown(name);
    return false;
  }

  private void unknown(Token name) {
    found.add(new Finding(name.getLine(), name.getCharPositionInLine() + 1, name.getText(), ""));
  }

  private void refuse(ParserRuleContext where, String why) {
    Token start = where.getStart();
    found.add(new Finding(start.getLine(), start.getCharPositionInLine() + 1, "", why));
  }
}
