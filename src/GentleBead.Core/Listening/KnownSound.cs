using GentleBead.Core.Beads;

namespace GentleBead.Core.Listening;

/// <summary>One way a sound can be, as the ear knows it: a normal distribution of features.</summary>
/// <param name="Sound">Which sound; null for what is no arc.</param>
/// <param name="Mean">Mean of each feature.</param>
/// <param name="Inverse">Inverse of their covariance, its lower half row by row.</param>
/// <param name="LogDeterminant">Logarithm of the covariance's determinant.</param>
internal sealed record KnownSound(Sound? Sound, double[] Mean, double[] Inverse, double LogDeterminant)
{
    /// <summary>How far these features lie from it: the square of Mahalanobis' distance.</summary>
    internal double Distance(ReadOnlySpan<double> features)
    {
        double sum = 0;
        var at = 0;
        for (var row = 0; row < features.Length; row++)
        {
            var off = features[row] - Mean[row];
            for (var column = 0; column < row; column++)
                sum += 2 * Inverse[at++] * off * (features[column] - Mean[column]);
            sum += Inverse[at++] * off * off;
        }
        return sum;
    }

    /// <summary>Logarithm of how likely features at a distance are, up to a constant.</summary>
    internal double Likelihood(double distance) => -0.5 * (distance + LogDeterminant);
}
