using Npgsql;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;

namespace GentleBead.Server.Work;

/// <summary>
/// Figures and traces for whoever runs many of these, in open forms (OpenTelemetry, Prometheus); off until they are asked for. Nobody's
/// name is in them: paths carry ids, and what was typed stays out.
/// </summary>
public static class Telemetry
{
    private const string Loopback = "127.0.0.1";

    // The framework's own figures, the database driver's and the runtime's.
    private static readonly string[] Meters =
    [
        "Microsoft.AspNetCore.Hosting",
        "Microsoft.AspNetCore.Server.Kestrel",
        "Microsoft.AspNetCore.Http.Connections",
        "Npgsql",
        "System.Runtime",
    ];

    /// <summary>
    /// Adds what is asked for: figures as Prometheus reads them, on a port of loopback of their own (GENTLEBEAD_METRICS_PORT), and traces
    /// to where OTEL_EXPORTER_OTLP_ENDPOINT says.
    /// </summary>
    public static void AddTelemetry(this WebApplicationBuilder builder)
    {
        var port = builder.Configuration.GetValue<int?>("GENTLEBEAD_METRICS_PORT");
        var traced = builder.Configuration["OTEL_EXPORTER_OTLP_ENDPOINT"] is { Length: > 0 };
        if (port is null && !traced)
            return;
        var telemetry = builder.Services.AddOpenTelemetry().ConfigureResource(resource => resource.AddService("gentlebead"));
        if (port is { } at)
            telemetry.WithMetrics(metrics =>
                metrics.AddMeter(Meters).AddPrometheusHttpListener(listener => (listener.Host, listener.Port) = (Loopback, at))
            );
        if (traced)
            telemetry.WithTracing(traces => traces.AddAspNetCoreInstrumentation().AddNpgsql().AddOtlpExporter());
    }
}
