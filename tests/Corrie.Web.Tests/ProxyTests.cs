using System.Net;
using System.Net.Security;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Hosting.Server;
using Microsoft.AspNetCore.Hosting.Server.Features;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace Corrie.Web.Tests;

/// <summary>Corrie behind a small web server that does TLS, as docs/operating.md describes it.</summary>
public sealed class ProxyTests
{
    private const string Host = "corrie.example";

    [Theory]
    [InlineData("127.0.0.1", true)]
    [InlineData("127.0.0.0/8", true)]
    [InlineData("10.9.9.9", false)]
    [InlineData(null, false)]
    public async Task Behind_a_web_server_that_is_named_all_is_as_if_by_tls(string? named, bool believed)
    {
        using var site = new Site { Proxy = named };
        site.UseKestrel(0);
        site.StartServer();
        await using var front = await Front(site.ClientOptions.BaseAddress);
        using var client = new HttpClient(new HttpClientHandler { AllowAutoRedirect = false, ServerCertificateCustomValidationCallback = (_, _, _, e) => e != SslPolicyErrors.None })
        {
            BaseAddress = new(front.Services.GetRequiredService<IServer>().Features.Get<IServerAddressesFeature>()!.Addresses.Single()),
        };
        client.DefaultRequestHeaders.Host = Host;

        var door = await client.GetAsync("/jobs");
        Assert.Equal(HttpStatusCode.Redirect, door.StatusCode);
        Assert.Equal(believed ? $"https://{Host}/sign-in" : "http://", door.Headers.Location!.AbsoluteUri[..(believed ? $"https://{Host}/sign-in".Length : 7)]);
        Assert.Equal(believed, door.Headers.Contains("Strict-Transport-Security"));

        var answer = await client.Post("/sign-in", "/sign-in", ("name", "ines"), ("password", "chalk-line-1"));
        Assert.Equal("/jobs", answer.Headers.Location!.OriginalString);
        var cookies = answer.Headers.GetValues("Set-Cookie").ToList();
        Assert.Equal(2, cookies.Count);
        Assert.All(cookies, c => Assert.Equal(believed, c.Contains("secure", StringComparison.OrdinalIgnoreCase)));
    }

    [Fact]
    public void A_web_server_that_is_named_wrongly_is_said_at_the_start()
    {
        using var site = new Site { Proxy = "the one in the hall" };
        Assert.Contains("Expected: addresses of web servers", Assert.ThrowsAny<Exception>(() => site.Nobody()).Message);
    }

    // Hands everything on and says for whom, as any web server in front does.
    private static async Task<WebApplication> Front(Uri corrie)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var asked = new CertificateRequest("CN=" + Host, key, HashAlgorithmName.SHA256);
        using var made = asked.CreateSelfSigned(DateTimeOffset.UtcNow.AddDays(-1), DateTimeOffset.UtcNow.AddDays(1));
        var certificate = X509CertificateLoader.LoadPkcs12(made.Export(X509ContentType.Pfx), null);
        var builder = WebApplication.CreateSlimBuilder();
        builder.Configuration["AllowedHosts"] = "*";
        builder.Logging.ClearProviders();
        builder.WebHost.ConfigureKestrel(kestrel => kestrel.Listen(IPAddress.Loopback, 0, listen => listen.UseHttps(certificate)));
        builder.WebHost.UseKestrelHttpsConfiguration();
        var front = builder.Build();
        var behind = new HttpClient(new HttpClientHandler { AllowAutoRedirect = false, UseCookies = false }) { BaseAddress = corrie };
        front.Run(async context =>
        {
            using var request = new HttpRequestMessage(new(context.Request.Method), context.Request.Path + context.Request.QueryString);
            if (context.Request.ContentLength > 0)
            {
                request.Content = new StreamContent(context.Request.Body);
            }

            foreach (var (name, value) in context.Request.Headers.Where(h => h.Key != "Host"))
            {
                if (!request.Headers.TryAddWithoutValidation(name, (IEnumerable<string?>)value))
                {
                    request.Content?.Headers.TryAddWithoutValidation(name, (IEnumerable<string?>)value);
                }
            }

            request.Headers.Add("X-Forwarded-For", "203.0.113.7");
            request.Headers.Add("X-Forwarded-Proto", "https");
            request.Headers.Add("X-Forwarded-Host", context.Request.Host.Value);
            using var answer = await behind.SendAsync(request);
            context.Response.StatusCode = (int)answer.StatusCode;
            foreach (var (name, value) in answer.Headers.Concat(answer.Content.Headers).Where(h => h.Key != "Transfer-Encoding"))
            {
                context.Response.Headers[name] = value.ToArray();
            }

            await answer.Content.CopyToAsync(context.Response.Body);
        });
        await front.StartAsync();
        return front;
    }
}
