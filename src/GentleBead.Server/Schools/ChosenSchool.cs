namespace GentleBead.Server.Schools;

/// <summary>The school that a request, or a chore, is for.</summary>
public sealed class ChosenSchool
{
    private ServedSchool? school;

    /// <summary>Which.</summary>
    /// <exception cref="InvalidOperationException">None was chosen: what asks is at work for no school.</exception>
    public ServedSchool School => school ?? throw new InvalidOperationException("No school was chosen for this.");

    /// <summary>Chooses it, once.</summary>
    public void Choose(ServedSchool chosen)
    {
        if (school is not null && school != chosen)
            throw new InvalidOperationException("Another school was chosen for this already.");
        school = chosen;
    }

    /// <summary>Services that work for one school, for what no request asks for.</summary>
    public static AsyncServiceScope For(IServiceProvider services, ServedSchool school)
    {
        var scope = services.CreateAsyncScope();
        scope.ServiceProvider.GetRequiredService<ChosenSchool>().Choose(school);
        return scope;
    }
}
