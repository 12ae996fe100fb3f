// What Java shows of the vector: each name and its value, a NUL behind each.
import java.nio.charset.StandardCharsets;

public class Press {
    static void tell(String name, String value) {
        byte[] bytes = (name + " " + value + "\0").getBytes(StandardCharsets.UTF_8);
        System.out.write(bytes, 0, bytes.length);
    }

    public static void main(String[] args) {
        tell("args.length", "" + args.length);
        for (int at = 0; at < args.length; at++) tell("args[" + at + "]", args[at]);
        System.out.flush();
    }
}
