package rhetor.app.picture;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.picture.PictureProducts.Confirmed;
import rhetor.app.picture.PictureProducts.MadeOfPictures;
import rhetor.app.picture.PictureProducts.Proposed;
import rhetor.app.picture.PictureProducts.Wanted;
import rhetor.core.reading.PictureProposer.From;

/** Products of which there is nothing but pictures, over HTTP. */
@RestController
class PictureProductController {
  private static final int SHOWN = 48;
  private static final int MOST_AT_ONCE = 500;
  private static final int MOST_FACTS = 100;

  private final PictureProducts products;

  PictureProductController(PictureProducts products) {
    this.products = products;
  }

  /**
   * A fact that a picture proposes.
   *
   * @param words what it was read from, as it stands there
   */
  record ProposedFact(String fact, String label, String text, From from, String words) {}

  /**
   * A picture of no product, and what its product may be.
   *
   * @param kind what running text would call it, empty if nothing says
   * @param isRead whether its print has been looked for
   */
  record ProposedProduct(
      long picture,
      String fileName,
      String sku,
      String name,
      String kind,
      boolean isRead,
      List<ProposedFact> facts) {}

  /**
   * Pictures of no product.
   *
   * @param unread of how many nobody has read the print yet
   * @param next the last one's id if there are more, else 0
   */
  record ProposedPage(List<ProposedProduct> pictures, int unmatched, int unread, long next) {}

  record ConfirmedFact(
      @NotBlank @Size(max = 200) String fact,
      @NotBlank @Size(max = 200) String label,
      @NotBlank @Size(max = 4000) String text,
      @NotNull From from) {}

  record WantedProduct(
      long picture,
      @NotBlank @Size(max = 64) String sku,
      @NotBlank @Size(max = 400) String name,
      @NotNull @Size(max = MOST_FACTS) List<@NotNull @Valid ConfirmedFact> facts) {}

  record WantedProducts(
      @NotEmpty @Size(max = MOST_AT_ONCE) List<@NotNull @Valid WantedProduct> products) {}

  /** What pictures of no product say theirs is; nothing of it counts yet. */
  @GetMapping("/api/pictures/proposals")
  ProposedPage proposals(@RequestParam(defaultValue = "0") long after) {
    List<Proposed> page = products.page(after, SHOWN + 1);
    List<ProposedProduct> shown =
        page.stream().limit(SHOWN).map(PictureProductController::view).toList();
    PictureProducts.Left left = products.left();
    return new ProposedPage(
        shown,
        left.unmatched(),
        left.unread(),
        page.size() > SHOWN ? shown.getLast().picture() : 0);
  }

  private static ProposedProduct view(Proposed proposed) {
    long id = proposed.picture().id();
    String sku = proposed.proposal().sku();
    return new ProposedProduct(
        id,
        proposed.picture().fileName(),
        // Without a code it is called by its picture; people may call it something else.
        sku.isEmpty() ? "PIC-" + id : sku,
        proposed.proposal().name(),
        proposed.proposal().kind(),
        proposed.picture().printed().isPresent(),
        proposed.proposal().facts().stream()
            .map(f -> new ProposedFact(f.fact(), f.label(), f.text(), f.from(), f.words()))
            .toList());
  }

  /**
   * Whom to ask about which pictures.
   *
   * @param connection id of a text model that takes pictures
   */
  record AskAbout(long connection, @NotEmpty @Size(max = SHOWN) List<@NotNull Long> pictures) {}

  /** Of how many pictures something was said. */
  record ToldOf(int pictures) {}

  /** What it would cost to ask a text model what pictures show. */
  @PostMapping("/api/pictures/asking")
  PictureProducts.Asking asking(@Valid @RequestBody AskAbout body) {
    return products.asking(body.connection(), body.pictures());
  }

  /** Asks a text model what pictures show. */
  @PostMapping("/api/pictures/ask")
  ToldOf ask(@Valid @RequestBody AskAbout body, Principal person) {
    return new ToldOf(products.ask(body.connection(), body.pictures(), person.getName()));
  }

  /** Makes products of pictures, with the facts that a person confirmed. */
  @PostMapping("/api/pictures/products")
  MadeOfPictures make(@Valid @RequestBody WantedProducts body, Principal person) {
    return products.make(
        body.products().stream()
            .map(
                p ->
                    new Wanted(
                        p.picture(),
                        p.sku(),
                        p.name(),
                        p.facts().stream()
                            .map(f -> new Confirmed(f.fact(), f.label(), f.text(), f.from()))
                            .toList()))
            .toList(),
        person.getName());
  }
}
