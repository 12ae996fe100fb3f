// What Java's conversions make of each argument: its number, the conversion, the result.
import java.util.function.Supplier;

public class Convert {
    static void tell(int at, String name, Supplier<String> result) {
        String told;
        try {
            told = result.get();
        } catch (RuntimeException error) {
            told = error.getClass().getSimpleName();
        }
        System.out.println(at + " " + name + " " + told);
    }

    static String bits(double value) {
        return Double.isNaN(value) ? "nan" : String.format("%016x", Double.doubleToRawLongBits(value));
    }

    public static void main(String[] args) {
        for (int which = 0; which < args.length; which++) {
            String text = args[which];
            tell(which + 1, "Integer.parseInt", () -> "" + Integer.parseInt(text));
            tell(which + 1, "Long.parseLong", () -> "" + Long.parseLong(text));
            tell(which + 1, "Double.parseDouble", () -> bits(Double.parseDouble(text)));
        }
    }
}
