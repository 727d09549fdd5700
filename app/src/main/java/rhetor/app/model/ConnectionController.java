package rhetor.app.model;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Connections to text models over HTTP; keys go in and never out. */
@RestController
class ConnectionController {
  private static final int SHOWN_OF_KEY = 4;

  private final TextModels models;

  ConnectionController(TextModels models) {
    this.models = models;
  }

  /**
   * A connection as it is shown.
   *
   * @param keyEnds how its key ends, empty if it has none
   * @param answers questions answered this month
   * @param spent what they cost
   */
  record ConnectionView(
      long id,
      String name,
      String address,
      String model,
      String keyEnds,
      BigDecimal priceAsked,
      BigDecimal priceAnswered,
      BigDecimal monthlyMost,
      boolean takesPictures,
      int answers,
      BigDecimal spent) {}

  /**
   * A connection to keep; an empty key leaves the one that is there.
   *
   * @param takesPictures whether pictures may be sent with questions; absent for no
   */
  record ConnectionOrder(
      @NotNull @Size(max = 200) String name,
      @NotNull @Size(max = 500) String address,
      @NotNull @Size(max = 200) String model,
      @NotNull @Size(max = 1000) String key,
      @NotNull BigDecimal priceAsked,
      @NotNull BigDecimal priceAnswered,
      @NotNull BigDecimal monthlyMost,
      Boolean takesPictures) {
    Connection connection(long id) {
      return new Connection(
          id,
          name,
          address,
          model,
          key,
          priceAsked,
          priceAnswered,
          monthlyMost,
          Boolean.TRUE.equals(takesPictures));
    }
  }

  /**
   * What a model said when greeted.
   *
   * @param millis how long it took
   */
  record Greeted(String answer, long millis) {}

  @GetMapping("/api/connections")
  List<ConnectionView> all() {
    return models.all().stream().map(this::view).toList();
  }

  private ConnectionView view(Connection c) {
    ConnectionStore.Spent spent = models.thisMonth(c.id());
    String key = c.secret();
    String ends =
        key.length() > 3 * SHOWN_OF_KEY ? "…" + key.substring(key.length() - SHOWN_OF_KEY) : "…";
    return new ConnectionView(
        c.id(),
        c.name(),
        c.address(),
        c.model(),
        key.isEmpty() ? "" : ends,
        c.priceAsked(),
        c.priceAnswered(),
        c.monthlyMost(),
        c.takesPictures(),
        spent.answers(),
        spent.cost());
  }

  @PostMapping("/api/connections")
  ConnectionView add(@Valid @RequestBody ConnectionOrder order, Principal person) {
    return view(models.get(models.add(order.connection(0), person.getName())));
  }

  @PutMapping("/api/connections/{id}")
  ConnectionView put(
      @PathVariable long id, @Valid @RequestBody ConnectionOrder order, Principal person) {
    models.put(order.connection(id), person.getName());
    return view(models.get(id));
  }

  @DeleteMapping("/api/connections/{id}")
  void remove(@PathVariable long id, Principal person) {
    models.remove(id, person.getName());
  }

  /** A host that models may or may not be asked at. */
  record HostOrder(@NotNull @Size(max = 260) String host, boolean allowed) {}

  @GetMapping("/api/connections/hosts")
  List<String> hosts() {
    return models.hosts();
  }

  @PutMapping("/api/connections/hosts")
  List<String> allow(@Valid @RequestBody HostOrder order, Principal person) {
    if (order.allowed()) {
      models.allow(order.host(), person.getName());
    } else {
      models.forbid(order.host(), person.getName());
    }
    return models.hosts();
  }

  /** Has the model say a word, to see that address, model and key are right. */
  @PostMapping("/api/connections/{id}/greet")
  Greeted greet(@PathVariable long id) {
    long begin = System.nanoTime();
    Reply reply = models.greet(id);
    String line = reply.text().strip().replaceAll("\\s+", " ");
    return new Greeted(
        line.length() > 60 ? line.substring(0, 60) + "…" : line,
        (System.nanoTime() - begin) / 1_000_000);
  }
}
