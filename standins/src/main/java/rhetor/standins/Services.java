package rhetor.standins;

import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The simulated shop and the simulated text model, as one server. */
@SpringBootApplication
public class Services {}
