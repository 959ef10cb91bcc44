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
 * Starts none where the settings name one, or a cluster, that somebody else runs.
 */
public final class PrivateDatabase implements ApplicationContextInitializer<ConfigurableApplicationContext> {
    @Override
    public void initialize(ConfigurableApplicationContext context) {
        ConfigurableEnvironment environment = context.getEnvironment();
        if (environment.containsProperty("spring.datasource.url")) {
            return;
        }
        String elsewhere = environment.getProperty("apodex.db.address", "");
        if (!elsewhere.isBlank()) {
            use(
                    environment,
                    DatabaseAddress.url(elsewhere),
                    environment.getProperty("apodex.db.user", MariaDbServer.USER),
                    environment.getProperty("apodex.db.password", ""));
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
        use(environment, server.url(), MariaDbServer.USER, server.password());
    }

    private static void use(ConfigurableEnvironment environment, String url, String user, String password) {
        environment
                .getPropertySources()
                .addFirst(new MapPropertySource(
                        "database",
                        Map.of(
                                "spring.datasource.url",
                                url,
                                "spring.datasource.username",
                                user,
                                "spring.datasource.password",
                                password)));
    }
}
