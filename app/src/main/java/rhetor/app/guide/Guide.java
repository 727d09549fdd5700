package rhetor.app.guide;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import org.commonmark.node.Heading;
import org.commonmark.node.Image;
import org.commonmark.node.Link;
import org.commonmark.node.Node;
import org.commonmark.parser.Parser;
import org.commonmark.renderer.html.HtmlRenderer;
import org.commonmark.renderer.text.TextContentRenderer;
import org.springframework.core.io.ClassPathResource;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Service;
import rhetor.app.web.Refused;

/** The guide's pages, one for each step of the work, as they are written in Markdown. */
@Service
class Guide {
  private static final String FIRST = "README";
  private static final String MARKDOWN = ".md";
  private static final String PICTURES = "../screenshots/";

  private final List<Page> pages;

  Guide() throws IOException {
    Resource[] files =
        new PathMatchingResourcePatternResolver().getResources("classpath:guide/*.md");
    try (Stream<Resource> all = Stream.of(files)) {
      pages = all.map(Guide::read).sorted(Comparator.comparing(Page::order)).toList();
    }
  }

  /**
   * A page.
   *
   * @param id the word by which it is addressed
   * @param html what it says
   */
  record Page(String id, String title, String html) {
    private String order() {
      return id.equals(FIRST) ? "" : id;
    }
  }

  /** All pages, the one that says what is where first. */
  List<Page> pages() {
    return pages;
  }

  /** A page by its id, the first one for none. */
  Page page(String id) {
    return pages.stream()
        .filter(p -> p.id.equals(id.isEmpty() ? FIRST : id))
        .findFirst()
        .orElseThrow(() -> Refused.notFound("The guide has no such page."));
  }

  /** A picture of the guide. */
  Resource picture(String name) {
    Resource picture = new ClassPathResource("guide/pictures/" + name + ".png");
    if (!picture.exists()) {
      throw Refused.notFound("The guide has no such picture.");
    }
    return picture;
  }

  private static Page read(Resource file) {
    try {
      String id = file.getFilename().substring(0, file.getFilename().length() - MARKDOWN.length());
      Node text = Parser.builder().build().parse(file.getContentAsString(StandardCharsets.UTF_8));
      String title = words(text.getFirstChild());
      String html =
          HtmlRenderer.builder()
              .attributeProviderFactory(context -> Guide::address)
              .build()
              .render(text);
      return new Page(id, title, html);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
  }

  private static String words(Node node) {
    return TextContentRenderer.builder().build().render(node).strip();
  }

  /** Has links and pictures lead to where the application has them. */
  private static void address(Node node, String tag, Map<String, String> attributes) {
    switch (node) {
      case Link link when link.getDestination().contains(MARKDOWN) ->
          attributes.put("href", "/guide/" + link.getDestination().replace(MARKDOWN, ""));
      case Image image when image.getDestination().startsWith(PICTURES) ->
          attributes.put(
              "src",
              "/api/guide/pictures/"
                  + image.getDestination().substring(PICTURES.length()).replace(".png", ""));
      case Heading heading ->
          attributes.put(
              "id", words(heading).toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\d]+", "-"));
      default -> {
        // All else is as it is.
      }
    }
  }
}
