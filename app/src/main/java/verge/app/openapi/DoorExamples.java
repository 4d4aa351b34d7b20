package verge.app.openapi;

import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.media.MediaType;
import java.io.IOException;
import java.io.InputStream;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.util.Map;
import java.util.stream.Collectors;
import org.springdoc.core.customizers.GlobalOperationCustomizer;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.springframework.util.ReflectionUtils;
import org.springframework.web.method.HandlerMethod;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * Gives doors that only reckon an example each, and what it comes to: reckoned when the description is asked for, so that it does not grow
 * old.
 */
@Component
class DoorExamples implements GlobalOperationCustomizer {
    private static final String JSON = "application/json";

    private final JsonMapper json;
    /** Bodies by 'Class.method' of the door. */
    private final Map<String, JsonNode> bodies;

    DoorExamples(JsonMapper json) throws IOException {
        this.json = json;
        try (InputStream in = new ClassPathResource("openapi/doors.json").getInputStream()) {
            bodies = json.readTree(in).propertyStream().collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        }
    }

    @Override
    public Operation customize(Operation operation, HandlerMethod door) {
        JsonNode body = bodies.get(door.getBeanType().getSimpleName() + "." + door.getMethod().getName());
        if (body != null) {
            operation.getRequestBody().getContent().get(JSON).example(plain(body));
            operation.getResponses().get("200").getContent().values()
                    .forEach((MediaType answer) -> answer.example(plain(json.valueToTree(answered(door, body)))));
        }
        return operation;
    }

    private Object answered(HandlerMethod door, JsonNode body) {
        Method method = door.getMethod();
        ReflectionUtils.makeAccessible(method);
        try {
            return method.invoke(door.createWithResolvedBean().getBean(), json.treeToValue(body, method.getParameterTypes()[0]));
        } catch (IllegalAccessException | InvocationTargetException e) {
            throw new IllegalStateException(door + " refuses its own example", e);
        }
    }

    private Object plain(JsonNode node) {
        return json.treeToValue(node, Object.class);
    }
}
