package rhetor.app.house;

import io.swagger.v3.oas.models.media.Schema;
import java.io.IOException;
import java.time.Clock;
import java.util.ArrayList;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import rhetor.core.knowledge.Knowledge;

/** Hands out what comes from outside: time and knowledge. */
@Configuration
class HouseConfiguration {
  private final HouseSettings settings;

  HouseConfiguration(HouseSettings settings) {
    this.settings = settings;
  }

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }

  /** What the database has made since the start is its owner's alone too. */
  @EventListener(ApplicationReadyEvent.class)
  void closeDataFolder() throws IOException {
    DataFolder.close(settings.data());
  }

  @Bean
  Knowledge knowledge() {
    return Knowledge.standard();
  }

  /** Records have all their components: the description says so, and the front end needn't ask. */
  @Bean
  OpenApiCustomizer everyPropertyIsRequired() {
    return api -> {
      api.setServers(null);
      api.getComponents().getSchemas().values().forEach(HouseConfiguration::requireAll);
    };
  }

  private static void requireAll(Schema<?> schema) {
    if (schema.getProperties() != null) {
      schema.setRequired(new ArrayList<>(schema.getProperties().keySet()));
    }
  }
}
