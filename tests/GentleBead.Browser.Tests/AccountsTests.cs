using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

/// <summary>A password forgotten and changed, an account switched off and on, and the trail of it.</summary>
public class AccountsTests
{
    [Fact]
    public async Task A_forgotten_password_is_set_anew_by_a_code_and_an_account_that_is_switched_off_leaves_the_room()
    {
        await using var server = await RunningServer.StartAsync(demo: true);
        using var page = new Page(server.Address).StepInAs("Maren Holloway");
        page.OpenStudent("Wynn Okafor");
        page.Click("Forgot the password: a code");
        page.See("It is shown this once");
        var code = page.Texts("[aria-label='Account'] [role=status] p")[1];

        using var own = new Page(server.Address);
        own.See("Step in as");
        own.Click("a code from an instructor?");
        own.Type("Login", "wynn");
        own.Type("Code", "ABCD-EFGH");
        own.Type("New password", "new and long");
        own.Click("Set the password");
        own.See("Login and code do not fit together");
        own.Type("Code", code);
        own.Click("Set the password");
        own.See("The new password stands");
        Assert.Equal("wynn", own.Value("Login"));
        own.Type("Password", "new and long");
        own.Click("Sign in");
        own.See("You stand at booth");

        // Changed by themselves.
        own.Open("/settings/account");
        own.Type("Password until now", "not it at all");
        own.Type("New password", "longer still");
        own.Click("Change the password");
        own.See("This is not your own password");
        own.Type("Password until now", "new and long");
        own.Click("Change the password");
        own.See("Everywhere else you are signed out");

        page.Click("Switch off");
        page.See("Wynn Okafor is switched off and signed out");
        page.See("nobody signs in with it");
        own.Open("/");
        own.See("Login");
        page.Click("Undo");
        page.SeeNot("nobody signs in with it");

        page.Open("/settings/trail");
        page.See("switched an account off: Wynn Okafor", "made a code for a new password: Wynn Okafor", "set a new password by a code");
    }
}
