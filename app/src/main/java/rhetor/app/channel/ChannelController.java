package rhetor.app.channel;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import rhetor.core.style.Spelling;

/** Channels over HTTP. */
@RestController
class ChannelController {
  private final Channels channels;

  ChannelController(Channels channels) {
    this.channels = channels;
  }

  /**
   * A channel as it is shown.
   *
   * @param spelling which English it is written in, empty for the house's
   */
  record ChannelView(long id, String name, String spelling, boolean takesMarkup) {
    static ChannelView of(Channel c) {
      return new ChannelView(
          c.id(), c.name(), c.spelling().map(Spelling::name).orElse(""), c.takesMarkup());
    }
  }

  /** A channel to keep; without a spelling it is written as the house spells. */
  record ChannelOrder(@NotNull String name, Spelling spelling, @NotNull Boolean takesMarkup) {
    Channel channel(long id) {
      return new Channel(id, name, Optional.ofNullable(spelling), takesMarkup);
    }
  }

  @GetMapping("/api/channels")
  List<ChannelView> all() {
    return channels.all().stream().map(ChannelView::of).toList();
  }

  @PostMapping("/api/channels")
  ChannelView add(@Valid @RequestBody ChannelOrder order, Principal person) {
    return ChannelView.of(channels.add(order.channel(0), person.getName()));
  }

  @PutMapping("/api/channels/{id}")
  ChannelView put(@PathVariable long id, @Valid @RequestBody ChannelOrder order) {
    return ChannelView.of(channels.put(order.channel(id)));
  }

  @DeleteMapping("/api/channels/{id}")
  void remove(@PathVariable long id) {
    channels.remove(id);
  }
}
