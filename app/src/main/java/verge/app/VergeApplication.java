package verge.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** Starts the web application. */
@SpringBootApplication
public class VergeApplication {
    public static void main(String[] arguments) {
        SpringApplication.run(VergeApplication.class, arguments);
    }
}
