package apodex.server;

import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.context.WebServerApplicationContext;
import org.springframework.context.ApplicationListener;
import org.springframework.core.env.Environment;

/** Tells on the console where the pages are, once everything is there. */
final class Announcement implements ApplicationListener<ApplicationReadyEvent> {
    @Override
    public void onApplicationEvent(ApplicationReadyEvent event) {
        if (event.getApplicationContext() instanceof WebServerApplicationContext web) {
            Environment environment = event.getApplicationContext().getEnvironment();
            System.out.println("Apodex is open at http://" + environment.getProperty("server.address") + ":"
                    + web.getWebServer().getPort() + "/");
        }
    }
}
