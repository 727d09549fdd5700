package rhetor.standins.shop;

import java.util.Optional;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.HtmlUtils;
import rhetor.standins.harrowmere.Catalogue;
import rhetor.standins.harrowmere.PictureMaker;

/** The pages that a shopper sees. */
@RestController
class ShopPages {
  private static final String STYLE =
      """
      body{font:17px/1.6 Georgia,serif;color:#26323b;background:#f4f1ea;margin:0}
      header{background:#26423f;color:#f4f1ea;padding:18px 6vw;font-size:22px}header a{color:inherit;text-decoration:none}
      main{max-width:1040px;margin:32px auto;padding:0 24px}
      .goods{display:grid;grid-template-columns:420px 1fr;gap:40px}.goods img{width:420px;background:#fff}
      h1{font-size:30px;line-height:1.25;margin:0 0 12px}h3{font-size:18px;margin:24px 0 6px}
      ul.list{display:grid;grid-template-columns:repeat(auto-fill,minmax(220px,1fr));gap:24px;list-style:none;padding:0}
      ul.list img{width:100%;background:#fff}.tags{color:#6a6f6b;font-size:15px}.lead{font-size:19px}
      a{color:#26423f}@media(max-width:800px){.goods{display:block}.goods img{width:100%}}
      """;

  private final GoodsStore goods;
  private final PictureMaker pictures = new PictureMaker();

  ShopPages(GoodsStore goods) {
    this.goods = goods;
  }

  @GetMapping("/")
  ResponseEntity<String> index() {
    StringBuilder list = new StringBuilder("<ul class=list>");
    for (Goods g : goods.page("", 200)) {
      list.append(entry(g));
    }
    return page("Harrowmere Cycle & Trail", "Touring and commuting by bicycle.", list + "</ul>");
  }

  @GetMapping("/products/{slug}")
  ResponseEntity<String> product(@PathVariable String slug) {
    Optional<Goods> found = goods.findBySlug(slug);
    if (found.isEmpty()) {
      return ResponseEntity.notFound().build();
    }
    Goods g = found.get();
    String body =
        "<div class=goods><div>"
            + picture(g)
            + "</div><article><h1>"
            + e(g.title())
            + "</h1>"
            + (g.shortDescription().isEmpty()
                ? ""
                : "<p class=lead>" + e(g.shortDescription()) + "</p>")
            + g.description()
            + "<p class=tags>"
            + e(String.join(" · ", g.tags()))
            + "</p></article></div>";
    return page(g.metaTitle(), g.metaDescription(), body);
  }

  @GetMapping("/categories/{key}")
  ResponseEntity<String> category(@PathVariable String key) {
    Optional<Category> shown = Category.all().stream().filter(c -> c.key().equals(key)).findFirst();
    if (shown.isEmpty()) {
      return ResponseEntity.notFound().build();
    }
    Category c = shown.get();
    Goods text = goods.find(c.sku()).orElseThrow();
    StringBuilder body = new StringBuilder("<h1>" + e(text.title()) + "</h1>");
    body.append(text.description()).append("<ul class=list>");
    c.skus().forEach(sku -> goods.find(sku).ifPresent(g -> body.append(entry(g))));
    return page(text.metaTitle(), text.metaDescription(), body + "</ul>");
  }

  private String entry(Goods g) {
    return "<li><a href='/products/"
        + g.slug()
        + "'>"
        + picture(g)
        + "<br>"
        + e(g.title())
        + "</a></li>";
  }

  private String picture(Goods g) {
    return goods.picture(g.sku()).isEmpty()
        ? ""
        : "<img src='/pictures/" + e(g.sku()) + ".png' alt='" + e(g.imageAlt()) + "'>";
  }

  @GetMapping("/pictures/{sku}.png")
  ResponseEntity<byte[]> pictureFile(@PathVariable String sku) {
    return goods
        .picture(sku)
        .map(p -> ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(p))
        .orElse(ResponseEntity.notFound().build());
  }

  /** What stands in for the picture servers of suppliers, which exist nowhere. */
  @GetMapping("/suppliers/{host}/{file}.png")
  ResponseEntity<byte[]> supplierPicture(@PathVariable String host, @PathVariable String file) {
    return host.equals(Catalogue.BRIGHTWICK_PICTURES)
        ? Catalogue.lit().stream()
            .filter(l -> l.sku().equalsIgnoreCase(file))
            .findFirst()
            .map(l -> ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(pictures.draw(l)))
            .orElse(ResponseEntity.notFound().build())
        : ResponseEntity.notFound().build();
  }

  private static ResponseEntity<String> page(String title, String description, String body) {
    String html =
        "<!doctype html><html lang=en-GB><head><meta charset=utf-8><meta name=viewport content='width=device-width'><title>"
            + e(title)
            + "</title><meta name=description content='"
            + e(description)
            + "'><style>"
            + STYLE
            + "</style></head><body><header><a href='/'>Harrowmere Cycle &amp; Trail</a></header><main>"
            + body
            + "</main></body></html>";
    return ResponseEntity.ok()
        .contentType(new MediaType("text", "html", java.nio.charset.StandardCharsets.UTF_8))
        .cacheControl(CacheControl.noStore())
        .header("Content-Security-Policy", "default-src 'self'; style-src 'unsafe-inline'")
        .body(html);
  }

  private static String e(String text) {
    return HtmlUtils.htmlEscape(text);
  }
}
