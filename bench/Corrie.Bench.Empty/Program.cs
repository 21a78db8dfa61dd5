// The baseline: an application with one empty Razor page and nothing else.
var builder = WebApplication.CreateBuilder(args);
builder.Logging.SetMinimumLevel(LogLevel.Warning);
builder.Services.AddRazorPages();
var app = builder.Build();
app.MapRazorPages();
app.Run();
