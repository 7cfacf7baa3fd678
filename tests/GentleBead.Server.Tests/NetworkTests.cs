using System.Diagnostics;
using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using System.Text.RegularExpressions;
using GentleBead.Server.Network;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.Logging.Abstractions;

namespace GentleBead.Server.Tests;

/// <summary>The shop's authority and its certificates, held against OpenSSL, which most tablets' own checks agree with.</summary>
public sealed class NetworkTests(DemoRoom room) : IClassFixture<DemoRoom>, IDisposable
{
    private static readonly DateTimeOffset Now = DateTimeOffset.UtcNow;
    private static readonly ShopNames Shop = new(["beads.school.example", "bench.local", "localhost"], [IPAddress.Parse("192.168.7.20")]);
    private readonly string folder = Directory.CreateTempSubdirectory("gentlebead-authority-").FullName;

    public void Dispose() => Directory.Delete(folder, recursive: true);

    [Fact]
    public void An_authority_is_made_once_and_read_by_nobody_else()
    {
        using var made = Authority.Open(folder, Shop, Now);
        using var found = Authority.Open(folder, Shop, Now.AddYears(1));
        Assert.Equal(made.Fingerprint, found.Fingerprint);
        Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, File.GetUnixFileMode(Path.Combine(folder, "authority.pem")));
        // RFC 7468's letters, and what "openssl x509 -fingerprint" makes of them.
        File.WriteAllBytes(Path.Combine(folder, "authority.crt"), made.Certificate);
        Assert.Contains(
            made.Fingerprint,
            OpenSsl("x509 -in authority.crt -inform DER -noout -fingerprint -sha256").Said,
            StringComparison.Ordinal
        );
    }

    [Fact]
    public void One_that_holds_no_longer_gives_way_to_another()
    {
        using var made = Authority.Open(folder, Shop, Now.AddYears(-11));
        using var next = Authority.Open(folder, Shop, Now);
        Assert.NotEqual(made.Fingerprint, next.Fingerprint);
    }

    [Fact]
    public void What_is_no_authority_is_told_and_not_written_over()
    {
        var file = Path.Combine(folder, "authority.pem");
        File.WriteAllText(file, "half a fi");
        Assert.Contains(
            "authority.pem",
            Assert.Throws<InvalidDataException>(() => Authority.Open(folder, Shop, Now)).Message,
            StringComparison.Ordinal
        );
        Assert.Equal("half a fi", File.ReadAllText(file));
    }

    [Theory]
    [InlineData("beads.school.example", true)]
    [InlineData("bench.local", true)]
    [InlineData("localhost", true)]
    [InlineData("192.168.7.20", true)]
    [InlineData("127.0.0.1", true)]
    [InlineData("other.example", false)]
    [InlineData("192.168.7.21", false)]
    public void A_certificate_is_good_for_what_this_machine_is_called_and_for_nothing_else(string called, bool good)
    {
        using var authority = Authority.Open(folder, Shop, Now);
        using var certificate = authority.Issue(Shop, Now);
        Put("server.pem", certificate);
        var check = IPAddress.TryParse(called, out _) ? "-verify_ip" : "-verify_hostname";
        var (ended, said) = OpenSsl($"verify -x509_strict -purpose sslserver {check} {called} -CAfile authority.pem server.pem");
        Assert.True(good == (ended == 0), said);
    }

    // RFC 5280, 4.2.1.10: whoever got hold of the key could still not vouch for a bank to a tablet of the shop.
    [Theory]
    [InlineData("bank.example", null)]
    [InlineData(null, "8.8.8.8")]
    public void The_key_is_worth_nothing_outside_the_shop(string? host, string? address)
    {
        using var authority = Authority.Open(folder, Shop, Now);
        using var stolen = X509Certificate2.CreateFromPemFile(Path.Combine(folder, "authority.pem"));
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=forged", key, HashAlgorithmName.SHA256);
        var called = new SubjectAlternativeNameBuilder();
        if (host is not null)
            called.AddDnsName(host);
        if (address is not null)
            called.AddIpAddress(IPAddress.Parse(address));
        request.CertificateExtensions.Add(called.Build());
        using var forged = request.Create(stolen, Now.AddDays(-1), Now.AddDays(9), [1, 2, 3]);
        Put("forged.pem", forged);
        var (ended, said) = OpenSsl("verify -CAfile authority.pem forged.pem");
        Assert.NotEqual(0, ended);
        Assert.Contains("permitted subtree violation", said, StringComparison.Ordinal);
    }

    [Fact]
    public void What_an_authority_may_vouch_for_reads_as_it_was_written()
    {
        using var authority = Authority.Open(folder, Shop, Now);
        using var certificate = X509CertificateLoader.LoadCertificate(authority.Certificate);
        var (wanted, read) = (Permitted.For(Shop), Permitted.Of(certificate));
        Assert.Equal(wanted.Hosts, read.Hosts);
        Assert.Equal(wanted.Networks, read.Networks);
        Assert.True(read.Has("tablet.bench.local"));
        Assert.False(read.Has("xlocal"));
    }

    [Fact]
    public void A_certificate_is_renewed_a_month_before_it_ends_and_when_the_machine_is_called_otherwise()
    {
        var clock = new SetClock(Now);
        using var certificate = Shown(clock, null);
        var first = certificate.Context.TargetCertificate.Thumbprint;
        Assert.True(certificate.Ends <= Now.AddDays(90));
        clock.At = Now.AddDays(59);
        Assert.False(certificate.Renew(certificate.Names));
        clock.At = Now.AddDays(61);
        Assert.True(certificate.Renew(certificate.Names));
        var second = certificate.Context.TargetCertificate;
        Assert.NotEqual(first, second.Thumbprint);
        Assert.Equal(Now.AddDays(151), certificate.Ends, TimeSpan.FromSeconds(1));

        var told = false;
        certificate.GetChangeToken().RegisterChangeCallback(_ => told = true, null);
        var moved = certificate.Names with { Addresses = [IPAddress.Parse("10.1.2.3")] };
        Assert.True(certificate.Renew(moved));
        Assert.True(told, "The names that are answered to follow.");
        Assert.True(certificate.Context.TargetCertificate.MatchesHostname("10.1.2.3"));
        Assert.False(certificate.Renew(moved));
    }

    [Fact]
    public void A_certificate_of_the_schools_own_is_read_anew_when_its_file_is()
    {
        using var authority = Authority.Open(Path.Combine(folder, "elsewhere"), Shop, Now);
        var (file, keyFile) = (Path.Combine(folder, "own.pem"), Path.Combine(folder, "own.key"));
        var options = new ShopNetworkOptions(folder, null, 1, 2, 3, file, keyFile);
        Write();
        using var shown = new ShopCertificate(options, TimeProvider.System, NullLogger<ShopCertificate>.Instance);
        Assert.Null(shown.Authority);
        Assert.False(shown.Renew(shown.Names));
        var first = shown.Context.TargetCertificate.Thumbprint;
        Write();
        File.SetLastWriteTimeUtc(file, DateTime.UtcNow.AddMinutes(1));
        Assert.True(shown.Renew(shown.Names));
        Assert.NotEqual(first, shown.Context.TargetCertificate.Thumbprint);
        File.WriteAllText(file, "nothing");
        Assert.Throws<InvalidDataException>(() => shown.Renew(shown.Names));

        void Write()
        {
            using var own = authority.Issue(Shop, Now);
            File.WriteAllText(file, own.ExportCertificatePem());
            File.WriteAllText(keyFile, own.GetECDsaPrivateKey()!.ExportPkcs8PrivateKeyPem());
        }
    }

    [Fact]
    public void A_name_the_authority_was_not_made_for_is_told_at_the_start()
    {
        Authority.Open(folder, Shop, Now).Dispose();
        Shown(TimeProvider.System, "beads.school.example").Dispose();
        var problem = Assert.Throws<InvalidDataException>(() => Shown(TimeProvider.System, "other.example"));
        Assert.Contains("other.example", problem.Message, StringComparison.Ordinal);
        Assert.Contains("every tablet", problem.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("GENTLEBEAD_LAN_NAME", "no name", "'no name'")]
    [InlineData("GENTLEBEAD_TLS_PORT", "70000", "GENTLEBEAD_TLS_PORT")]
    [InlineData("GENTLEBEAD_SIGNPOST_PORT", "x", "GENTLEBEAD_SIGNPOST_PORT")]
    [InlineData("GENTLEBEAD_TLS_KEY", "key.pem", "go together")]
    public void What_cannot_be_is_told(string setting, string value, string told)
    {
        var settings = new Dictionary<string, string?> { ["GENTLEBEAD_LAN_FOLDER"] = folder, [setting] = value };
        var asked = new ConfigurationBuilder().AddInMemoryCollection(settings).Build();
        Assert.Contains(told, Assert.Throws<InvalidDataException>(() => ShopNetworkOptions.From(asked)).Message, StringComparison.Ordinal);
    }

    // ISO/IEC 18004: three finder patterns of 7 x 7 with a dark 3 x 3 in them, a light edge of four around all of it.
    [Fact]
    public void A_code_has_its_finder_patterns_and_its_quiet_edge()
    {
        var code = QrPath.Of("http://bench.local:5080/");
        var dark = Regex
            .Matches(code.Path, @"M(\d+) (\d+)h1v1h-1z")
            .Select(m => (int.Parse(m.Groups[1].Value), int.Parse(m.Groups[2].Value)))
            .ToHashSet();
        Assert.All(
            dark,
            square => Assert.True(Math.Min(square.Item1, square.Item2) >= 4 && Math.Max(square.Item1, square.Item2) < code.Size - 4)
        );
        foreach (var (left, top) in new[] { (4, 4), (code.Size - 11, 4), (4, code.Size - 11) })
        {
            for (var x = 0; x < 7; x++)
            for (var y = 0; y < 7; y++)
                Assert.Equal(Math.Max(Math.Abs(x - 3), Math.Abs(y - 3)) != 2, dark.Contains((left + x, top + y)));
        }
        Assert.Throws<ArgumentException>(() => QrPath.Of(new string('x', 3_000)));
    }

    [Fact]
    public async Task Where_it_listens_to_this_machine_alone_it_says_so()
    {
        var maren = await room.SignInAsync("maren");
        Assert.Null((await maren.GetAsync<NetworkNow>("/api/network")).Network);
    }

    private ShopCertificate Shown(TimeProvider clock, string? name) =>
        new(new(folder, name, 1, 2, 3, null, null), clock, NullLogger<ShopCertificate>.Instance);

    private sealed class SetClock(DateTimeOffset at) : TimeProvider
    {
        public DateTimeOffset At { get; set; } = at;

        public override DateTimeOffset GetUtcNow() => At;
    }

    private void Put(string file, X509Certificate2 certificate) =>
        File.WriteAllText(Path.Combine(folder, file), certificate.ExportCertificatePem());

    private (int Ended, string Said) OpenSsl(string arguments)
    {
        using var process = Process.Start(
            new ProcessStartInfo("openssl", arguments)
            {
                WorkingDirectory = folder,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        var said = process.StandardOutput.ReadToEnd() + process.StandardError.ReadToEnd();
        process.WaitForExit();
        return (process.ExitCode, said);
    }
}
