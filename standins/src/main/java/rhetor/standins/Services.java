package rhetor.standins;

import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The simulated shop, text model and mailbox, as one server. */
@SpringBootApplication
public class Services {}
