package rhetor.app.style;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.range.Ranges;
import rhetor.app.web.Refused;
import rhetor.core.style.Angle;

/** Lines that texts carry for a time; texts are held to them when they begin and when they end. */
@Service
public class Angles {
  private final AngleStore store;
  private final HouseStyle house;
  private final Ranges ranges;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Angles(
      AngleStore store,
      HouseStyle house,
      Ranges ranges,
      ApplicationEventPublisher events,
      Clock clock) {
    this.store = store;
    this.house = house;
    this.ranges = ranges;
    this.events = events;
    this.clock = clock;
  }

  List<AngleStore.KeptAngle> all() {
    return store.all();
  }

  LocalDate today() {
    return LocalDate.now(clock);
  }

  AngleStore.KeptAngle get(long id) {
    return store.find(id).orElseThrow(() -> Refused.notFound("There is no such angle."));
  }

  /**
   * Keeps a new angle.
   *
   * @param range the range it is for, 0 for the whole house
   */
  @Transactional
  public long add(long range, Angle angle, String by) {
    if (range != 0) {
      ranges.get(range);
    }
    require(0, range, angle);
    long id = store.add(range, angle, by);
    turn();
    return id;
  }

  @Transactional
  public void put(long id, Angle angle) {
    AngleStore.KeptAngle before = get(id);
    require(id, before.range(), angle);
    store.put(id, angle);
    if (!before.angle().line().equals(angle.line()) && angle.holdsOn(today())) {
      changed();
    }
    turn();
  }

  @Transactional
  public void remove(long id) {
    boolean holds = get(id).angle().holdsOn(today());
    store.remove(id);
    if (holds) {
      changed();
    }
  }

  private void require(long id, long range, Angle angle) {
    List<Angle> others =
        store.all().stream()
            .filter(a -> a.id() != id && a.range() == range)
            .map(AngleStore.KeptAngle::angle)
            .toList();
    List<String> problems = angle.problems(others, house.ofRange(range).style());
    if (!problems.isEmpty()) {
      throw Refused.invalid(String.join(" ", problems));
    }
  }

  /** Has texts held to the angles of the day, if one has begun or ended. */
  @Transactional
  public void turn() {
    if (store.note(today()) > 0) {
      changed();
    }
  }

  private void changed() {
    house.forget();
    events.publishEvent(new StyleChanged("angles " + clock.millis()));
  }
}
