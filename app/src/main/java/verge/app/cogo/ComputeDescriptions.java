package verge.app.cogo;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.Operation;
import io.swagger.v3.oas.models.PathItem;
import io.swagger.v3.oas.models.media.ArraySchema;
import io.swagger.v3.oas.models.media.ComposedSchema;
import io.swagger.v3.oas.models.media.Content;
import io.swagger.v3.oas.models.media.MediaType;
import io.swagger.v3.oas.models.media.NumberSchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.media.StringSchema;
import io.swagger.v3.oas.models.parameters.Parameter;
import io.swagger.v3.oas.models.parameters.RequestBody;
import io.swagger.v3.oas.models.responses.ApiResponse;
import io.swagger.v3.oas.models.responses.ApiResponses;
import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.MessageSource;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import verge.core.cogo.Slot;
import verge.core.cogo.Tool;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Describes each computation under an address of its own, with what it wants, an example, and what that example comes to: computed when it
 * is asked for, so that no description grows old.
 */
@Component
class ComputeDescriptions implements OpenApiCustomizer {
    private static final String ALONE = "/api/v1/compute/{tool}";
    private static final String IN_A_JOB = "/api/v1/jobs/{job}/compute/{tool}";
    private static final String JSON = "application/json";

    private final ComputeApi computations;
    private final MessageSource messages;
    private final JsonMapper json;
    private final Map<String, JsonNode> examples;

    ComputeDescriptions(ComputeApi computations, MessageSource messages, JsonMapper json) throws IOException {
        this.computations = computations;
        this.messages = messages;
        this.json = json;
        try (InputStream in = new ClassPathResource("openapi/computations.json").getInputStream()) {
            JsonNode all = json.readTree(in);
            examples = all.propertyStream().collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
        }
    }

    @Override
    public void customise(OpenAPI description) {
        for (String address : List.of(ALONE, IN_A_JOB)) {
            PathItem general = description.getPaths().remove(address);
            if (general != null) {
                Arrays.stream(Tool.values()).filter(tool -> address.equals(IN_A_JOB) || answer(tool).isPresent())
                        .forEach(tool -> description.path(address.replace("{tool}", name(tool)),
                        item(tool, general.getPost(), address.equals(IN_A_JOB))));
            }
        }
    }

    /** As it is asked for in an address. */
    static String name(Tool tool) {
        return tool.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private PathItem item(Tool tool, Operation general, boolean inJob) {
        String word = messages.getMessage("compute.tool." + tool, null, Locale.ENGLISH);
        Operation own = new Operation().tags(general.getTags()).operationId(general.getOperationId() + "-" + name(tool)).summary(word)
                .description(general.getSummary());
        general.getParameters().stream().filter(p -> !p.getName().equals("tool")).forEach((Parameter p) -> own.addParametersItem(p));
        ObjectSchema given = new ObjectSchema();
        tool.slots().forEach(slot -> {
            given.addProperty(slot.id(), schema(slot, inJob));
            if (slot.wanted()) {
                given.addRequiredItem(slot.id());
            }
        });
        ObjectSchema body = new ObjectSchema();
        body.addProperty("given", given);
        body.addRequiredItem("given");
        if (inJob) {
            body.addProperty("ground", new Schema<Boolean>().type("boolean")
                    .description("whether lengths are ground distances; absent for as the job speaks"));
        }
        JsonNode example = examples.get(tool.name());
        own.requestBody(new RequestBody().required(true)
                .content(new Content().addMediaType(JSON, new MediaType().schema(body).example(plain(example)))));
        MediaType answer = new MediaType().schema(new Schema<>().$ref("#/components/schemas/Answer"));
        answer(tool).ifPresent(computed -> answer.example(plain(json.valueToTree(computed))));
        return new PathItem().post(own.responses(new ApiResponses()
                .addApiResponse("200", new ApiResponse().description("What it comes to")
                .content(new Content().addMediaType(JSON, answer)))));
    }

    /** What its example comes to without a job; empty where it needs to know where on earth its points are. */
    private Optional<ComputeApi.Answer> answer(Tool tool) {
        try {
            return Optional.of(computations.compute(name(tool), json.treeToValue(examples.get(tool.name()), ComputeApi.Asked.class)));
        } catch (SurveyException refused) {
            if (refused.problem() == Problem.NO_PLACE_ON_EARTH) {
                return Optional.empty();
            }
            throw new IllegalStateException(tool + " refuses its own example", refused);
        }
    }

    private Object plain(JsonNode node) {
        return json.treeToValue(node, Object.class);
    }

    private static Schema<?> schema(Slot slot, boolean inJob) {
        return switch (slot.kind()) {
            case POINT -> point(inJob);
            case POINTS -> named(new ArraySchema().items(point(inJob)).minItems(slot.least()), "names of points, parted by commas", inJob);
            case LINE -> line(slot, inJob);
            case LINES -> new ArraySchema().items(line(slot, inJob));
            case DIRECTION -> new NumberSchema().description("radians clockwise from grid north");
            case LENGTH -> new NumberSchema().description("metres, horizontal");
            case RISE -> new NumberSchema().description("metres, with its sign");
            case GRADE -> new NumberSchema().description("rise over horizontal distance");
            case COUNT -> new NumberSchema().type("integer");
            case PART -> new NumberSchema().description("from 0 to 1");
            case NUMBERS -> new ArraySchema().items(new NumberSchema());
            case AREA -> new NumberSchema().description("square metres");
            case TIME -> new NumberSchema().description("seconds since the beginning of 1970 in universal time");
            case WORD -> new StringSchema()._enum(slot.choices());
            case DEED -> new StringSchema().description("legs as a deed has them, in metres and degrees");
        };
    }

    private static Schema<?> point(boolean inJob) {
        return named(new ArraySchema().items(new NumberSchema()).minItems(2).maxItems(3)
                .description("north, east and perhaps height, in metres"), "name of a point", inJob);
    }

    private static Schema<?> line(Slot slot, boolean inJob) {
        ObjectSchema curved = new ObjectSchema();
        curved.addProperty("places", new ArraySchema().items(point(inJob)).minItems(slot.least()));
        curved.addProperty("bulges", new ArraySchema().items(new NumberSchema())
                .description("of each piece: the tangent of a quarter of the angle that it turns through to the left"));
        curved.addProperty("closed", new Schema<Boolean>().type("boolean"));
        Schema<?> either = new ComposedSchema().addOneOfItem(new ArraySchema().items(point(inJob)).minItems(slot.least()))
                .addOneOfItem(curved);
        return inJob ? either.addOneOfItem(new StringSchema().description("name of a string or of a line of a file")) : either;
    }

    private static Schema<?> named(Schema<?> plain, String what, boolean inJob) {
        return inJob ? new ComposedSchema().addOneOfItem(plain).addOneOfItem(new StringSchema().description(what)) : plain;
    }
}
