package rhetor.app.product;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import rhetor.app.knowledge.HouseKnowledge;
import rhetor.core.fact.VariantFinder.Group;
import rhetor.core.knowledge.Concept;

/** Groups of variants over HTTP. */
@RestController
class VariantController {
  private static final int SHOWN = 100;

  private final VariantService variants;
  private final HouseKnowledge knowledge;

  VariantController(VariantService variants, HouseKnowledge knowledge) {
    this.variants = variants;
    this.knowledge = knowledge;
  }

  record GroupLine(long id, String name, int members) {}

  record Axis(String id, String label) {}

  /** A member with its value on each axis. */
  record Member(long id, String sku, String name, List<String> values) {}

  /**
   * A matrix of variants.
   *
   * @param gaps combinations that no member has
   * @param clashes ids of members that stand in the same place
   */
  record Matrix(
      long id,
      String name,
      List<Axis> axes,
      List<Member> members,
      List<List<String>> gaps,
      List<List<Long>> clashes) {}

  /**
   * Groups of variants.
   *
   * @param groups those that are kept, a page of them, the last first
   * @param kept how many there are in all
   * @param isLooking whether proposals are being looked for anew
   */
  record Variants(
      List<GroupLine> groups, int kept, List<Matrix> proposals, int proposed, boolean isLooking) {}

  record NewGroup(
      @NotBlank @Size(max = 400) String name, @NotNull @Size(max = 1000) List<Long> members) {}

  private Matrix matrix(long id, Group group) {
    return new Matrix(
        id,
        group.name(),
        group.axes().stream()
            .map(a -> new Axis(a, knowledge.current().concept(a).map(Concept::label).orElse(a)))
            .toList(),
        group.members().stream()
            .map(
                m ->
                    new Member(
                        m.id(),
                        m.sku(),
                        m.name(),
                        group.axes().stream().map(a -> m.values().getOrDefault(a, "")).toList()))
            .toList(),
        group.gaps(),
        group.clashes());
  }

  @GetMapping("/api/variants")
  Variants all(@RequestParam(defaultValue = "0") long before) {
    VariantService.Proposals proposals = variants.proposals();
    return new Variants(
        variants.page(before, SHOWN).stream()
            .map(l -> new GroupLine(l.id(), l.name(), l.members()))
            .toList(),
        variants.count(),
        proposals.shown().stream().map(g -> matrix(0, g)).toList(),
        proposals.all(),
        proposals.isLooking());
  }

  @GetMapping("/api/variants/{id}")
  Matrix get(@PathVariable long id) {
    return matrix(id, variants.get(id));
  }

  @PostMapping("/api/variants")
  Matrix add(@Valid @RequestBody NewGroup group) {
    return get(variants.add(group.name().strip(), group.members()));
  }

  record Added(int groups) {}

  @PostMapping("/api/variants/all")
  Added addAll() {
    return new Added(variants.addAll());
  }

  @PutMapping("/api/variants/{id}/members/{product}")
  Matrix join(@PathVariable long id, @PathVariable long product) {
    variants.join(id, product);
    return get(id);
  }

  @DeleteMapping("/api/variants/{id}/members/{product}")
  void leave(@PathVariable long id, @PathVariable long product) {
    variants.leave(id, product);
  }

  @DeleteMapping("/api/variants/{id}")
  void remove(@PathVariable long id) {
    variants.remove(id);
  }
}
