package rhetor.app.channel;

/** Says that a channel has come, gone or changed. */
public record ChannelChanged(long channel) {}
