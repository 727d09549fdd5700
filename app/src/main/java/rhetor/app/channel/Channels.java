package rhetor.app.channel;

import java.util.List;
import java.util.Optional;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import rhetor.app.web.Refused;

/** The house's channels. */
@Service
public class Channels {
  private static final int LONGEST_NAME = 80;

  private final ChannelStore store;
  private final ApplicationEventPublisher events;

  Channels(ChannelStore store, ApplicationEventPublisher events) {
    this.store = store;
    this.events = events;
  }

  /** All channels by name. */
  public List<Channel> all() {
    return store.all();
  }

  /** A channel by its id. */
  public Channel get(long id) {
    return find(id).orElseThrow(() -> Refused.notFound("There is no such channel."));
  }

  /** A channel by its id, if there is one. */
  public Optional<Channel> find(long id) {
    return store.find(id);
  }

  @Transactional
  Channel add(Channel channel, String by) {
    long id = store.add(checked(channel), by);
    events.publishEvent(new ChannelChanged(id));
    return get(id);
  }

  @Transactional
  Channel put(Channel channel) {
    get(channel.id());
    store.put(checked(channel));
    events.publishEvent(new ChannelChanged(channel.id()));
    return get(channel.id());
  }

  @Transactional
  void remove(long id) {
    get(id);
    store.remove(id);
    events.publishEvent(new ChannelChanged(id));
  }

  private static Channel checked(Channel channel) {
    String name = channel.name().strip();
    if (name.isEmpty() || name.length() > LONGEST_NAME) {
      throw Refused.invalid(
          "A channel needs a name of up to %d characters.".formatted(LONGEST_NAME));
    }
    return new Channel(channel.id(), name, channel.spelling(), channel.takesMarkup());
  }
}
