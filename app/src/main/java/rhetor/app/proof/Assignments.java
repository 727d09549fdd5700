package rhetor.app.proof;

import java.sql.Timestamp;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.people.PeopleService;
import rhetor.app.people.Person;
import rhetor.app.people.Role;
import rhetor.app.product.ProductFilter;
import rhetor.app.product.ProductService;
import rhetor.app.web.Refused;

/** Who is to read which texts. */
@Service
class Assignments {
  private final JdbcClient jdbc;
  private final Clock clock;
  private final PeopleService people;
  private final ProductService products;

  Assignments(JdbcClient jdbc, Clock clock, PeopleService people, ProductService products) {
    this.jdbc = jdbc;
    this.clock = clock;
    this.people = people;
    this.products = products;
  }

  /**
   * Somebody who may be given texts to read.
   *
   * @param texts how many are given to them and neither signed off nor live yet
   */
  record Reader(long id, String name, int texts) {}

  /** Those who may correct texts. */
  List<Reader> readers() {
    return people.all().stream()
        .filter(p -> p.role().compareTo(Role.WRITER) >= 0)
        .map(p -> new Reader(p.id(), p.name(), open(p)))
        .toList();
  }

  private int open(Person reader) {
    return jdbc.sql(
            "select count(*) from assignment a join product p on p.id = a.product_id where a.reader_id = ? and p.stage in ('DRAFTED', 'IN_PROOF')")
        .param(reader.id())
        .query(Integer.class)
        .single();
  }

  /** Name of the person who is to read a product's text, if anybody is. */
  Optional<String> reader(long product) {
    return jdbc.sql(
            "select p.name from assignment a join person p on p.id = a.reader_id where a.product_id = ?")
        .param(product)
        .query(String.class)
        .optional();
  }

  /**
   * How many texts a person was given.
   *
   * @param name empty if they were taken from whoever had them
   */
  record Share(String name, int texts) {}

  /**
   * Gives texts to people, to each an equal share of those that came in one after the other.
   *
   * @param readers ids of people; none to give the texts to nobody
   * @throws Refused if somebody isn't there or may not correct texts
   */
  @Transactional
  public List<Share> give(List<Long> readers, List<Long> named, ProductFilter filter, String by) {
    List<Long> all = named.isEmpty() ? products.ids(filter) : named;
    jdbc.sql("delete from assignment where product_id in (select id from table(id bigint = ?))")
        .param(all.toArray())
        .update();
    if (readers.isEmpty()) {
      return List.of(new Share("", all.size()));
    }
    List<Reader> known = readers();
    List<Share> shares = new ArrayList<>();
    for (int i = 0; i < readers.size(); i++) {
      long id = readers.get(i);
      Reader reader =
          known.stream()
              .filter(r -> r.id == id)
              .findFirst()
              .orElseThrow(
                  () ->
                      Refused.invalid(
                          "There is nobody in the house any more by that number who may correct texts. Load the page again."));
      List<Long> share =
          all.subList(
              (int) ((long) all.size() * i / readers.size()),
              (int) ((long) all.size() * (i + 1) / readers.size()));
      jdbc.sql(
              "insert into assignment (product_id, reader_id, assigned_by, assigned_at) select p.id, ?, ?, ? from table(id bigint = ?) t join product p on p.id = t.id")
          .params(id, by, Timestamp.from(clock.instant()), share.toArray())
          .update();
      shares.add(new Share(reader.name, share.size()));
    }
    return shares;
  }
}
