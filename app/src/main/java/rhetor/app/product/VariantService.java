package rhetor.app.product;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.web.Refused;
import rhetor.core.compose.ValueText;
import rhetor.core.fact.Knowledge;
import rhetor.core.fact.VariantFinder;
import rhetor.core.fact.VariantFinder.Group;
import rhetor.core.fact.VariantFinder.Item;

/** Proposes which products are variants of one thing, and keeps what people say about it. */
@Service
class VariantService {
  private final VariantStore variants;
  private final ProductStore store;
  private final ProductService products;
  private final VariantFinder finder;
  private final ValueText values;

  VariantService(
      VariantStore variants, ProductStore store, ProductService products, Knowledge knowledge) {
    this.variants = variants;
    this.store = store;
    this.products = products;
    this.finder = new VariantFinder(knowledge);
    this.values = new ValueText(knowledge);
  }

  List<VariantStore.Line> all() {
    return variants.all();
  }

  /** Groups of products that are in none yet, the largest first. */
  List<Group> proposals() {
    Set<Long> grouped = new HashSet<>(variants.grouped());
    List<Item> items = new ArrayList<>();
    store.eachSource(
        (product, facts) -> {
          if (!grouped.contains(product.id())) {
            items.add(Item.of(product.id(), facts, values::spec));
          }
        });
    return finder.propose(items);
  }

  /** A kept group with its matrix. */
  Group get(long id) {
    List<Long> members = variants.members(id);
    if (members.isEmpty()) {
      throw Refused.notFound("There is no such group of variants.");
    }
    return finder.group(
        variants.name(id),
        members.stream().map(m -> Item.of(m, products.get(m).facts(), values::spec)).toList());
  }

  /** Makes a group of products; those that are in another already are left there. */
  @Transactional
  long add(String name, List<Long> members) {
    if (members.stream().distinct().count() < 2) {
      throw Refused.invalid("It takes two products or more to make a group of variants.");
    }
    members.forEach(products::line);
    long id = variants.add(name);
    if (variants.join(id, members) < 2) {
      throw Refused.conflict("These products are in groups already; somebody was quicker.");
    }
    return id;
  }

  /** Keeps all proposals; how many groups that makes. */
  @Transactional
  int addAll() {
    List<Group> proposals = proposals();
    for (Group group : proposals) {
      variants.join(variants.add(group.name()), group.members().stream().map(Item::id).toList());
    }
    return proposals.size();
  }

  @Transactional
  void join(long group, long product) {
    get(group);
    products.line(product);
    if (variants.join(group, List.of(product)) == 0) {
      throw Refused.conflict("This product is in a group already; take it out there first.");
    }
  }

  @Transactional
  void leave(long group, long product) {
    variants.leave(group, product);
  }

  @Transactional
  void remove(long group) {
    variants.remove(group);
  }
}
