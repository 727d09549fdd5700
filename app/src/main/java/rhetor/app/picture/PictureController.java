package rhetor.app.picture;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import rhetor.app.picture.PictureStore.Kept;
import rhetor.app.picture.PictureStore.Status;
import rhetor.core.image.NamedColour;
import rhetor.core.image.PictureAnalysis;

/** Pictures over HTTP. */
@RestController
class PictureController {
  private static final int SHOWN = 48;
  private static final int SAME_NAMED = 3;

  private final PictureService pictures;

  PictureController(PictureService pictures) {
    this.pictures = pictures;
  }

  /**
   * A picture with what it shows, in words.
   *
   * @param findings what a person should know: background, framing, sharpness, size
   */
  record PictureView(
      long id,
      String fileName,
      String status,
      long productId,
      String sku,
      String name,
      double confidence,
      String reason,
      int width,
      int height,
      List<NamedColour> colours,
      List<String> findings,
      List<String> words) {}

  record TroubledFile(String fileName, String trouble) {}

  record CameIn(List<PictureView> pictures, List<TroubledFile> troubled) {}

  record PicturePage(
      List<PictureView> pictures, int proposed, int confirmed, int unmatched, long next) {}

  record Confirm(@NotNull @Size(max = 5000) List<Long> pictures, boolean colours) {}

  record WhichProduct(@NotBlank String sku) {}

  private static PictureView view(Kept k) {
    return view(k, List.of());
  }

  private static PictureView view(Kept k, List<String> sameAs) {
    PictureAnalysis a = k.analysis();
    return new PictureView(
        k.id(),
        k.fileName(),
        k.status().name(),
        k.productId(),
        k.sku(),
        k.name(),
        k.confidence(),
        k.reason(),
        a.width(),
        a.height(),
        a.colours(),
        findings(a, sameAs),
        a.words());
  }

  private static List<String> findings(PictureAnalysis a, List<String> sameAs) {
    List<String> findings = new ArrayList<>();
    findings.add(
        switch (a.background()) {
          case WHITE -> "White background.";
          case PLAIN -> "Plain background, " + a.backgroundColour() + ".";
          case TRANSPARENT -> "Transparent background.";
          case SCENE -> "Shown in a scene.";
        });
    if (a.background() != PictureAnalysis.Background.SCENE) {
      findings.add(
          "The subject fills %d %% of the frame.".formatted(Math.round(a.subjectShare() * 100)));
      if (a.offCentre() > 0.12) {
        findings.add("It stands off centre.");
      }
    }
    if (a.isBlurred()) {
      findings.add("It is blurred.");
    }
    if (a.isSmall()) {
      findings.add("%d × %d pixels are too few to zoom in.".formatted(a.width(), a.height()));
    }
    findings.addAll(a.notes());
    if (!sameAs.isEmpty()) {
      int more = sameAs.size() - SAME_NAMED;
      findings.add(
          "It shows the same as "
              + String.join(", ", sameAs.subList(0, Math.min(SAME_NAMED, sameAs.size())))
              + (more > 0 ? " and " + more + " more." : "."));
    }
    return findings;
  }

  @PostMapping(path = "/api/pictures", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  CameIn take(@RequestParam List<MultipartFile> file, Principal person) throws IOException {
    List<PictureView> came = new ArrayList<>();
    List<TroubledFile> troubled = new ArrayList<>();
    for (MultipartFile one : file) {
      String name = one.getOriginalFilename() == null ? "picture" : one.getOriginalFilename();
      try (var in = one.getInputStream()) {
        for (PictureService.Came c : pictures.take(name, in, person.getName())) {
          c.picture().ifPresent(p -> came.add(view(p)));
          if (!c.trouble().isEmpty()) {
            troubled.add(new TroubledFile(c.fileName(), c.trouble()));
          }
        }
      }
    }
    return new CameIn(came, troubled);
  }

  @GetMapping("/api/pictures")
  PicturePage page(
      @RequestParam(defaultValue = "PROPOSED") String status,
      @RequestParam(defaultValue = "0") long after) {
    Status wanted =
        java.util.Arrays.stream(Status.values())
            .filter(s -> s.name().equals(status))
            .findFirst()
            .orElse(Status.PROPOSED);
    List<Kept> kept = pictures.page(wanted, after, SHOWN + 1);
    List<PictureStore.Hash> hashes = pictures.hashes();
    List<PictureView> shown =
        kept.stream().limit(SHOWN).map(k -> view(k, pictures.sameAs(k, hashes))).toList();
    return new PicturePage(
        shown,
        pictures.count(Status.PROPOSED),
        pictures.count(Status.CONFIRMED),
        pictures.count(Status.UNMATCHED),
        kept.size() > SHOWN ? shown.getLast().id() : 0);
  }

  @GetMapping("/api/products/{id}/pictures")
  List<PictureView> ofProduct(@PathVariable long id) {
    return pictures.ofProduct(id).stream().map(PictureController::view).toList();
  }

  @GetMapping(path = "/api/pictures/{id}/small")
  ResponseEntity<byte[]> small(@PathVariable long id) {
    return ResponseEntity.ok().contentType(MediaType.IMAGE_PNG).body(pictures.small(id));
  }

  @PostMapping("/api/pictures/confirm")
  PictureService.Confirmed confirm(@Valid @RequestBody Confirm body, Principal person) {
    return pictures.confirm(body.pictures(), body.colours(), person.getName());
  }

  @PutMapping("/api/pictures/{id}/product")
  PictureView setProduct(
      @PathVariable long id, @Valid @RequestBody WhichProduct body, Principal person) {
    return view(pictures.setProduct(id, body.sku(), person.getName()));
  }

  @DeleteMapping("/api/pictures/{id}/product")
  void unmatch(@PathVariable long id) {
    pictures.unmatch(id);
  }

  @DeleteMapping("/api/pictures/{id}")
  void remove(@PathVariable long id) {
    pictures.remove(id);
  }
}
