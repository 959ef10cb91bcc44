package apodex.server.database;

import apodex.server.CannotStart;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import org.springframework.beans.factory.support.DefaultListableBeanFactory;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.MapPropertySource;

/**
 * Starts a MariaDB server of our own before the application needs it and stops it after the application is gone.
 * Does nothing when {@code spring.datasource.url} names a server that somebody else runs.
 */
public final class PrivateDatabase implements ApplicationContextInitializer<ConfigurableApplicationContext> {
    @Override
    public void initialize(ConfigurableApplicationContext context) {
        ConfigurableEnvironment environment = context.getEnvironment();
        if (environment.containsProperty("spring.datasource.url")) {
            return;
        }
        Path data = Path.of(environment.getRequiredProperty("apodex.data.absolute"));
        int port = environment.getProperty("APODEX_DB_PORT", Integer.class, 0);
        MariaDbServer server = new MariaDbServer(data.resolve("mariadb"), port);
        try {
            server.start();
        } catch (IOException e) {
            throw new CannotStart("The database cannot be started. " + e.getMessage(), e);
        }
        // Registered first, so destroyed last: after the connection pool and the scheduler.
        ((DefaultListableBeanFactory) context.getBeanFactory()).registerDisposableBean("mariaDbServer", server::stop);
        environment
                .getPropertySources()
                .addFirst(new MapPropertySource(
                        "private database",
                        Map.of(
                                "spring.datasource.url", server.url(),
                                "spring.datasource.username", MariaDbServer.USER,
                                "spring.datasource.password", server.password())));
    }
}
