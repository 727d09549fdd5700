package rhetor.standins.shop;

import org.springframework.boot.autoconfigure.SpringBootApplication;

/** The simulated shop as a server of its own. */
@SpringBootApplication
public class ShopServer {}
