package rhetor.core.exchange;

import java.text.BreakIterator;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jsoup.safety.Safelist;
import rhetor.core.style.Field;
import rhetor.core.style.Structure;
import rhetor.core.text.Block;
import rhetor.core.text.Sentence;

/** A text's blocks as semantic HTML, and back. */
public final class Html {
  /** "A linocut by M." goes on with a name; "rich in vitamin C." doesn't. */
  private static final Pattern INITIAL =
      Pattern.compile("(?:^|\\b(?:by|from|of|and|after|with|for) |\\p{Lu}\\. ?)\\p{Lu}\\. $");

  /** The end of a sentence that is followed by a number, and no short form of a word before it. */
  private static final Pattern BEFORE_DIGIT =
      Pattern.compile(
          "(?<=[\\p{L}\\d%°][.!?])(?<!\\b(?:no|nr|art|approx|max|min|ca|c|vol|fig|pp|p|cat|ref|incl|excl|dia|temp|size|st|mt|ch|sec|ver|v)\\.) (?=\\d)",
          Pattern.CASE_INSENSITIVE);

  private static final Safelist ALLOWED =
      Safelist.none()
          .addTags(
              "p", "h3", "ul", "ol", "li", "br", "strong", "em", "b", "i", "h1", "h2", "h4", "h5",
              "h6", "div");

  private Html() {}

  /** Paragraphs, third-level headings and lists; all text escaped. */
  public static String of(List<Block> blocks) {
    return of(blocks, Structure.USUAL.headingLevel());
  }

  /**
   * Paragraphs, headings and lists; all text escaped.
   *
   * @param level of the headings, 1 to 6
   */
  public static String of(List<Block> blocks, int level) {
    return blocks.stream().map(b -> block(b, level)).collect(Collectors.joining("\n"));
  }

  private static String block(Block block, int level) {
    return switch (block.kind()) {
      case PARAGRAPH ->
          "<p>"
              + block.sentences().stream()
                  .map(s -> escape(s.text()))
                  .collect(Collectors.joining(" "))
              + "</p>";
      case HEADING ->
          "<h%d>".formatted(level)
              + block.sentences().stream()
                  .map(s -> escape(s.text()))
                  .collect(Collectors.joining(" "))
              + "</h%d>".formatted(level);
      case LIST ->
          "<ul>"
              + block.sentences().stream()
                  .map(s -> "<li>" + escape(s.text()) + "</li>")
                  .collect(Collectors.joining())
              + "</ul>";
    };
  }

  private static String escape(String text) {
    return text.replace("&", "&amp;")
        .replace("<", "&lt;")
        .replace(">", "&gt;")
        .replace("\"", "&quot;");
  }

  /**
   * Reads HTML that came from outside: scripts, styles, attributes and unknown elements are
   * dropped, headings of any level become sub-headings, and paragraphs are cut into sentences
   * without support.
   */
  public static List<Block> parse(String html) {
    Document document = Jsoup.parse(html);
    document.select("script, style, template, iframe, object, svg, math, noscript").remove();
    String clean =
        Jsoup.clean(
            document.body().html(), "", ALLOWED, new Document.OutputSettings().prettyPrint(false));
    List<Block> blocks = new ArrayList<>();
    read(Jsoup.parse(clean).body(), blocks);
    return blocks;
  }

  /**
   * Reads what was typed or answered for a field: markup for the description, tags between commas,
   * lists by their lines, plain text for the rest. Sentences have no support yet.
   */
  public static List<Block> parse(Field field, String input) {
    if (field == Field.DESCRIPTION) {
      return parse(input);
    }
    String plain = input.replaceAll("\\p{Cntrl}+", " ").strip();
    List<Sentence> sentences =
        switch (field) {
          case TAGS -> each(Arrays.stream(plain.split(",")));
          case HIGHLIGHTS, INCLUDED, NOT_INCLUDED ->
              each(input.lines().map(l -> l.replaceAll("\\p{Cntrl}+", " ")));
          case SHORT_DESCRIPTION, META_DESCRIPTION -> sentences(plain);
          default -> each(Stream.of(plain));
        };
    Block.Kind kind = field.isList() ? Block.Kind.LIST : Block.Kind.PARAGRAPH;
    return sentences.isEmpty() ? List.of() : List.of(new Block(kind, sentences));
  }

  private static List<Sentence> each(Stream<String> texts) {
    return texts
        .map(String::strip)
        .filter(t -> !t.isEmpty())
        .distinct()
        .map(t -> new Sentence(t, List.of()))
        .toList();
  }

  private static void read(Element parent, List<Block> blocks) {
    StringBuilder loose = new StringBuilder();
    for (Node node : parent.childNodes()) {
      if (node instanceof TextNode text) {
        loose.append(text.text());
      } else if (node instanceof Element e) {
        switch (e.tagName()) {
          case "p", "div" -> {
            flush(loose, blocks);
            if (e.children().stream().anyMatch(c -> c.isBlock())) {
              read(e, blocks);
            } else {
              addParagraph(e.text(), blocks);
            }
          }
          case "h1", "h2", "h3", "h4", "h5", "h6" -> {
            flush(loose, blocks);
            if (!e.text().isBlank()) {
              blocks.add(
                  new Block(
                      Block.Kind.HEADING, List.of(new Sentence(e.text().strip(), List.of()))));
            }
          }
          case "ul", "ol" -> {
            flush(loose, blocks);
            List<Sentence> items =
                e.select("li").stream()
                    .map(Element::text)
                    .map(String::strip)
                    .filter(t -> !t.isEmpty())
                    .map(t -> new Sentence(t, List.of()))
                    .toList();
            if (!items.isEmpty()) {
              blocks.add(new Block(Block.Kind.LIST, items));
            }
          }
          case "br" -> loose.append(' ');
          default -> loose.append(e.text());
        }
      }
    }
    flush(loose, blocks);
  }

  private static void flush(StringBuilder loose, List<Block> blocks) {
    addParagraph(loose.toString(), blocks);
    loose.setLength(0);
  }

  private static void addParagraph(String text, List<Block> blocks) {
    List<Sentence> sentences = sentences(text);
    if (!sentences.isEmpty()) {
      blocks.add(new Block(Block.Kind.PARAGRAPH, sentences));
    }
  }

  /** Cuts plain text into sentences without support. */
  public static List<Sentence> sentences(String text) {
    List<Sentence> sentences = new ArrayList<>();
    String plain = text.replaceAll("\\s+", " ").strip();
    BreakIterator breaks = BreakIterator.getSentenceInstance(Locale.UK);
    breaks.setText(plain);
    int from = 0;
    for (int to = breaks.next(); to != BreakIterator.DONE; to = breaks.next()) {
      if (to < plain.length() && INITIAL.matcher(plain.substring(from, to)).find()) {
        continue;
      }
      // The library never ends a sentence before a digit.
      for (String sentence : BEFORE_DIGIT.split(plain.substring(from, to).strip())) {
        if (!sentence.isEmpty()) {
          sentences.add(new Sentence(sentence, List.of()));
        }
      }
      from = to;
    }
    return sentences;
  }
}
