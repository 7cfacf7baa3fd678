using Xunit.Sdk;
using Xunit.v3;

[assembly: TestCollectionOrderer(typeof(GentleBead.Testing.InOrder))]
[assembly: TestCaseOrderer(typeof(GentleBead.Testing.InOrder))]

namespace GentleBead.Testing;

/// <summary>
/// Tests in the order of their names. xUnit's own order goes by the folder the assembly lies in: a test that leans on another's leavings
/// would then fail in some clones and pass in others. <c>GENTLEBEAD_TESTS=backwards</c> runs them the other way round, to find such.
/// </summary>
public sealed class InOrder : ITestCaseOrderer, ITestCollectionOrderer
{
    /// <inheritdoc/>
    public IReadOnlyCollection<TTestCase> OrderTestCases<TTestCase>(IReadOnlyCollection<TTestCase> testCases)
        where TTestCase : notnull, ITestCase => Ordered(testCases, one => one.TestCaseDisplayName);

    /// <inheritdoc/>
    public IReadOnlyCollection<TTestCollection> OrderTestCollections<TTestCollection>(IReadOnlyCollection<TTestCollection> testCollections)
        where TTestCollection : ITestCollection => Ordered(testCollections, one => one.TestCollectionDisplayName);

    private static T[] Ordered<T>(IEnumerable<T> all, Func<T, string> name)
    {
        var ordered = all.OrderBy(name, StringComparer.Ordinal);
        return Environment.GetEnvironmentVariable("GENTLEBEAD_TESTS") == "backwards" ? [.. ordered.Reverse()] : [.. ordered];
    }
}
