using GentleBead.Demo;
using GentleBead.Testing;

namespace GentleBead.Browser.Tests;

public class BadInputTests(DemoServer demo)
{
    [Fact]
    public void A_thickness_that_cannot_be_is_answered_at_the_field_and_gives_out_nothing()
    {
        using var page = demo.Open().StepInAs("Maren Holloway");
        page.Click("Sheet", within: "Booth 3");
        page.See("Wire feed speed");
        foreach (
            var (typed, says) in new[]
            {
                ("thick", "is not a thickness"),
                ("-3", "A thickness is above 0"),
                ("0", "A thickness is above 0"),
                ("40 in", "0.020 to 1 in"),
                ("1/0", "The bottom number of a fraction is above 0"),
                ("5 ga", "There is no 5 gauge here"),
            }
        )
        {
            page.Type("Plate thickness", typed);
            page.See(says);
            page.See(typed == "5 ga" ? "from 7 ga (thick) to 24 ga (thin)" : "Type it like 1/8, 0.125 in, 11 ga or 3.2");
            Assert.Equal(typed, page.Value("Plate thickness"));
            Assert.False(page.CanClick("Give to"));
            Assert.False(page.CanClick("Give out"));
        }
        page.Type("Plate thickness", "");
        page.See("The sheet appears as you type");
        // More than the wire carries at once is a sheet with a warning, not a refusal.
        page.Type("Plate thickness", "6");
        page.See("Risk of lack of fusion");
        page.Type("Plate thickness", "1/8");
        page.See("Read as 3.175 mm, 0.125 in");
    }

    [Fact]
    public void A_mark_off_the_dial_is_answered_at_the_field_and_loses_nothing()
    {
        using var page = demo.Open().StepInAs("Maren Holloway");
        page.Click("Bench", within: "Booth 2");
        page.See("Judge the bead");
        var before = page.Count("[aria-label='Coupon'] svg[role=img]");
        page.Type("Wire", "140");
        page.Type("Volts", "14");
        page.Click("Rattle");
        page.Click("Judge the bead");
        page.See("The wire control of this machine runs from 0 to 100");
        page.See("The volt control of this machine runs from tap 1 to tap 10");
        Assert.Equal("140", page.Value("Wire"));
        Assert.Equal("Rattle", page.Run<string>("return document.querySelector('fieldset [aria-pressed=true]').textContent"));
        page.SeeCount("[aria-label='Coupon'] svg[role=img]", before);
        page.Type("Wire", "45");
        page.Type("Volts", "6");
        page.DoubleClick("Judge the bead");
        Page.Until(() => page.Count("[aria-label='Coupon'] svg[role=img]") == before + 1, "one bead more");

        // A tap too many finds nothing noted and records nothing; its answer comes after whatever the taps before it did.
        page.Click("Judge the bead");
        page.See("Note at least the sound, or one look");
        page.SeeCount("[aria-label='Coupon'] svg[role=img]", before + 1);

        // What was noted survives a reload.
        page.Click("Sputter");
        page.Type("Leg, if measured", "0.2");
        page.Open(new Uri(page.Run<string>("return location.href")).PathAndQuery);
        page.See("Judge the bead");
        Assert.Equal("Sputter", page.Run<string>("return document.querySelector('fieldset [aria-pressed=true]').textContent"));
        Assert.StartsWith("0.2", page.Value("Leg, if measured"), StringComparison.Ordinal);

        // Withdrawn, and put back.
        page.Click("Withdraw bead", startsWith: true);
        Page.Until(() => page.Count("[aria-label='Coupon'] svg[role=img]") == before, "the bead off the coupon");
        page.Click("Undo");
        Page.Until(() => page.Count("[aria-label='Coupon'] svg[role=img]") == before + 1, "the bead back");
    }

    [Fact]
    public void A_sign_in_that_ran_out_is_taken_up_over_the_page_and_loses_nothing()
    {
        using var page = demo.Open().StepInAs("Maren Holloway");
        page.Click("Bench", within: "Booth 4");
        page.See("Judge the bead");
        page.Click("Sputter");
        page.ForgetCookies();
        page.Click("Judge the bead");
        page.See("Your sign-in has run out");
        page.Type("Login", "maren", within: "Sign in again");
        page.Type("Password", DemoSchool.Password, within: "Sign in again");
        page.Click("Sign in", within: "Sign in again");
        page.SeeNot("Your sign-in has run out");
        Assert.Equal("Sputter", page.Run<string>("return document.querySelector('fieldset [aria-pressed=true]').textContent"));
    }

    [Fact]
    public void Volts_the_machine_has_not_got_and_a_wrong_password()
    {
        using var page = demo.Open();
        page.Type("Login", "maren");
        page.Type("Password", "guess");
        page.Click("Sign in");
        page.See("Login and password do not fit together");
        Assert.Equal("maren", page.Value("Login"));
        page.StepInAs("Maren Holloway");
        page.Click("Bench", within: "Booth 1");
        page.See("Judge the bead");
        page.Click("measured instead?", within: "Volts used");
        page.Type("Volts", "60");
        page.Click("Judge the bead");
        page.See("This machine has 10.8 V to 30.8 V");
        Assert.StartsWith("60", page.Value("Volts"), StringComparison.Ordinal);
    }
}
