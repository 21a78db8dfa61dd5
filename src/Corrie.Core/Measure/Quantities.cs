namespace Corrie.Core.Measure;

/// <summary>The two families of units that crews work in.</summary>
public enum UnitSystem
{
    /// <summary>Feet, inches and fractions; pounds.</summary>
    Inches,

    /// <summary>Millimetres; kilograms.</summary>
    Millimetres,
}

/// <summary>An angle in degrees.</summary>
/// <param name="Degrees">Degrees; positive is up, or to the right.</param>
public readonly record struct Angle(double Degrees)
{
    /// <summary>The angle in radians.</summary>
    public double Radians => Degrees * Math.PI / 180;

    /// <summary>Makes an angle from a rise over a run, both in one unit.</summary>
    /// <param name="rise">How far up; negative for down.</param>
    /// <param name="run">How far along; negative for backwards.</param>
    /// <returns>The angle, -180 to 180 degrees.</returns>
    public static Angle OfSlope(Length rise, Length run) => new(Math.Atan2(rise.Units, run.Units) * 180 / Math.PI);
}

/// <summary>A mass; what a scale shows as a weight.</summary>
/// <param name="Kilograms">How many kilograms.</param>
public readonly record struct Mass(double Kilograms)
{
    /// <summary>Kilograms in one avoirdupois pound, exactly (international yard and pound agreement, 1959).</summary>
    public const double KilogramsPerPound = 0.45359237;

    /// <summary>The mass in pounds.</summary>
    public double Pounds => Kilograms / KilogramsPerPound;

    /// <summary>What the mass weighs under standard gravity.</summary>
    public Force Weight => new(Kilograms * Force.StandardGravity);

    /// <summary>Makes a mass from pounds.</summary>
    /// <param name="pounds">Pounds, avoirdupois.</param>
    /// <returns>The mass.</returns>
    public static Mass FromPounds(double pounds) => new(pounds * KilogramsPerPound);

    /// <summary>The sum of two masses.</summary>
    /// <param name="a">A mass.</param>
    /// <param name="b">Another.</param>
    public static Mass operator +(Mass a, Mass b) => new(a.Kilograms + b.Kilograms);
}

/// <summary>A force.</summary>
/// <param name="Newtons">How many newtons.</param>
public readonly record struct Force(double Newtons)
{
    /// <summary>Standard gravity in m/s², exactly (3rd CGPM, 1901).</summary>
    public const double StandardGravity = 9.80665;

    /// <summary>Newtons in one pound-force.</summary>
    public const double NewtonsPerPoundForce = Mass.KilogramsPerPound * StandardGravity;

    /// <summary>The force in pounds-force.</summary>
    public double PoundsForce => Newtons / NewtonsPerPoundForce;

    /// <summary>Makes a force from pounds-force.</summary>
    /// <param name="lbf">Pounds-force.</param>
    /// <returns>The force.</returns>
    public static Force FromPoundsForce(double lbf) => new(lbf * NewtonsPerPoundForce);
}

/// <summary>A temperature.</summary>
/// <param name="Celsius">Degrees Celsius.</param>
public readonly record struct Temperature(double Celsius)
{
    /// <summary>The same in degrees Fahrenheit: nine fifths and 32.</summary>
    public double Fahrenheit => (Celsius * 1.8) + 32;

    /// <summary>Makes a temperature from degrees Fahrenheit.</summary>
    /// <param name="degrees">Degrees Fahrenheit.</param>
    /// <returns>The temperature.</returns>
    public static Temperature FromFahrenheit(double degrees) => new((degrees - 32) / 1.8);

    /// <summary>A temperature that is warmer by some degrees.</summary>
    /// <param name="degrees">Degrees Celsius; negative for cooler.</param>
    /// <returns>The temperature.</returns>
    public Temperature Warmer(double degrees) => new(Celsius + degrees);
}
