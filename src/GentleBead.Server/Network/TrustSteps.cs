namespace GentleBead.Server.Network;

/// <summary>How one kind of tablet is told to trust the shop's authority.</summary>
/// <param name="Kind">Which kind.</param>
/// <param name="Steps">What to do, in order.</param>
public sealed record TrustSteps(Said Kind, IReadOnlyList<Said> Steps)
{
    /// <summary>Every kind, three lines each. From memory of these systems; their menus move from edition to edition.</summary>
    public static IReadOnlyList<TrustSteps> All { get; } =
    [
        new(
            Say($"Android"),
            [
                Say($"Open the first address and take the certificate."),
                Say($"Settings, search for “CA certificate”, install anyway, choose the file."),
                Say($"Open the second address. No warning must come."),
            ]
        ),
        new(
            Say($"iPad, iPhone"),
            [
                Say($"Open the first address in Safari, take the certificate, allow the profile; Settings, Profile Downloaded, Install."),
                Say($"Settings, General, About, Certificate Trust Settings: switch it on."),
                Say($"Open the second address in Safari. No warning must come."),
            ]
        ),
        new(
            Say($"Windows"),
            [
                Say($"Open the first address, take the certificate, open it: Install Certificate, Current User."),
                Say($"Place it in “Trusted Root Certification Authorities”."),
                Say($"Open the browser anew at the second address. No warning must come."),
            ]
        ),
        new(
            Say($"ChromeOS, Linux"),
            [
                Say($"Open the first address and take the certificate."),
                Say($"In the browser's settings search for “certificates”: Authorities, Import, trust it for websites."),
                Say($"Open the second address. No warning must come."),
            ]
        ),
    ];
}
