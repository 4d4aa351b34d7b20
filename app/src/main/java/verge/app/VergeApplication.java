package verge.app;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.resilience.annotation.EnableResilientMethods;

/** Verge, the surveyor's notebook. */
@SpringBootApplication
@EnableResilientMethods
public class VergeApplication {
    public static void main(String[] arguments) {
        SpringApplication.run(VergeApplication.class, arguments);
    }
}
