package rhetor.app.template;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.style.LayerBody;
import rhetor.app.web.Refused;
import rhetor.core.style.Field;
import rhetor.core.style.Setting;
import rhetor.core.template.Part;
import rhetor.core.template.Question;
import rhetor.core.template.StartingTemplates;
import rhetor.core.template.Template;

/** Templates over HTTP. */
@RestController
class TemplateController {
  private final Templates templates;
  private final Trials trials;

  TemplateController(Templates templates, Trials trials) {
    this.templates = templates;
    this.trials = trials;
  }

  /** A template as it is shown and sent; see {@link Template} for its parts. */
  record TemplateBody(
      @NotNull String about,
      @NotNull List<@Valid Question> questions,
      @NotNull List<@Valid Part> outline,
      @NotNull Map<String, String> fields,
      @NotNull @Valid LayerBody style,
      @NotNull List<String> instructions,
      @NotNull String prompt) {
    static TemplateBody of(Template t) {
      Map<String, String> fields = new LinkedHashMap<>();
      for (Field field : Field.values()) {
        if (t.fields().containsKey(field)) {
          fields.put(field.code(), t.fields().get(field));
        }
      }
      return new TemplateBody(
          t.about(),
          t.questions(),
          t.outline(),
          fields,
          LayerBody.of(t.style()),
          t.instructions(),
          t.prompt());
    }

    Template template() {
      Map<Field, String> own = new EnumMap<>(Field.class);
      fields.forEach(
          (code, words) -> {
            try {
              if (!words.isBlank()) {
                own.put(Field.parse(code), words.strip());
              }
            } catch (IllegalArgumentException e) {
              throw Refused.invalid("There is no field called " + code + ".");
            }
          });
      return new Template(about, questions, outline, own, style.layer(), instructions, prompt);
    }
  }

  /**
   * A template in the list.
   *
   * @param texts how many products' texts were built after it
   */
  record TemplateLine(long id, String name, int version, String about, int texts) {}

  /** A template to start from. */
  record StartingView(String name, TemplateBody template) {}

  record TemplatesView(List<TemplateLine> own, List<StartingView> starting) {}

  /**
   * A template whole.
   *
   * @param approved whether its style holds
   * @param looser what it allows that the house doesn't, in words
   */
  record TemplateView(
      long id,
      String name,
      int version,
      TemplateBody template,
      boolean approved,
      List<String> looser) {}

  /** A template to keep; {@code seen} is the version that was seen, 0 for a new one. */
  record TemplateOrder(int seen, @NotNull String name, @NotNull @Valid TemplateBody template) {}

  /**
   * A template to try.
   *
   * @param id of the kept template, 0 for one that is not kept yet
   * @param version the version it is compared with, 0 for none
   * @param product the product it is tried on, 0 only to find problems
   */
  record TemplateTrialOrder(
      long id, int version, long product, @NotNull @Valid TemplateBody template) {}

  /** A template to try with a text model, and how far the model may be asked. */
  record ModelTrialOrder(
      long connection,
      long product,
      @NotNull @Valid TemplateBody template,
      @NotNull Trials.Asking asking) {}

  private TemplateView view(HouseTemplate t) {
    return new TemplateView(
        t.id(),
        t.name(),
        t.version(),
        TemplateBody.of(t.template()),
        t.approved(),
        templates.looser(t.template()));
  }

  @GetMapping("/api/templates")
  TemplatesView all() {
    return new TemplatesView(
        templates.all().stream()
            .map(
                t ->
                    new TemplateLine(
                        t.id(),
                        t.name(),
                        t.version(),
                        t.template().about(),
                        templates.texts(t.id())))
            .toList(),
        StartingTemplates.all().stream()
            .map(s -> new StartingView(s.name(), TemplateBody.of(s.template())))
            .toList());
  }

  @GetMapping("/api/templates/{id}")
  TemplateView get(@PathVariable long id) {
    return view(templates.get(id));
  }

  @GetMapping("/api/templates/{id}/versions")
  List<TemplateStore.TemplateVersion> versions(@PathVariable long id) {
    return templates.versions(id);
  }

  @GetMapping("/api/templates/{id}/versions/{version}")
  TemplateBody version(@PathVariable long id, @PathVariable int version) {
    return TemplateBody.of(templates.version(id, version));
  }

  @GetMapping("/api/templates/slots")
  List<Templates.SlotView> slots(@RequestParam(defaultValue = "0") long product) {
    return templates.slots(product);
  }

  @PostMapping("/api/templates/try")
  Trials.TemplateTrial tryOut(@Valid @RequestBody TemplateTrialOrder order) {
    return trials.composed(
        order.template().template(),
        order.version() == 0
            ? Optional.empty()
            : Optional.of(templates.version(order.id(), order.version())),
        order.product());
  }

  /** What a text model makes of a template; it is asked only where that is wished. */
  @PostMapping("/api/templates/ask")
  Trials.ModelTrial ask(@Valid @RequestBody ModelTrialOrder order, Principal person) {
    return trials.answered(
        order.template().template(),
        order.connection(),
        order.product(),
        order.asking(),
        person.getName());
  }

  @PostMapping("/api/templates")
  TemplateView add(
      @Valid @RequestBody TemplateOrder order, Principal person, HttpServletRequest request) {
    return view(
        templates.get(
            templates.add(
                order.name(),
                order.template().template(),
                request.isUserInRole("EDITOR"),
                person.getName())));
  }

  @PutMapping("/api/templates/{id}")
  TemplateView put(
      @PathVariable long id,
      @Valid @RequestBody TemplateOrder order,
      Principal person,
      HttpServletRequest request) {
    templates.put(
        id,
        order.name(),
        order.seen(),
        order.template().template(),
        request.isUserInRole("EDITOR"),
        person.getName());
    return view(templates.get(id));
  }

  /** Which version was seen. */
  record Approval(int seen) {}

  @PostMapping("/api/templates/{id}/approve")
  TemplateView approve(
      @PathVariable long id, @Valid @RequestBody Approval approval, Principal person) {
    templates.approve(id, approval.seen(), person.getName());
    return view(templates.get(id));
  }

  @DeleteMapping("/api/templates/{id}")
  void remove(@PathVariable long id) {
    templates.remove(id);
  }

  /** What a product's texts obey, in words, each setting with what decided it. */
  @GetMapping("/api/products/{id}/style")
  List<Setting> ofProduct(@PathVariable long id, @RequestParam(defaultValue = "0") long channel) {
    return templates.settings(id, channel);
  }
}
