namespace Corrie.Data;

/// <summary>Keeps what was used last and lets the rest go, so that memory does not grow with what has ever been opened.</summary>
/// <typeparam name="TKey">Names of what is kept.</typeparam>
/// <typeparam name="TValue">What is kept.</typeparam>
/// <param name="most">How many are kept, at least 1.</param>
public sealed class RecentlyUsed<TKey, TValue>(int most)
    where TKey : notnull
    where TValue : class
{
    private readonly Lock gate = new();
    private readonly Dictionary<TKey, LinkedListNode<(TKey Key, TValue Value)>> byKey = [];
    private readonly LinkedList<(TKey Key, TValue Value)> order = [];

    /// <summary>What is kept under a name, made where there is nothing.</summary>
    /// <param name="key">The name.</param>
    /// <param name="make">Makes it; quick, since everybody else waits meanwhile.</param>
    /// <returns>What is kept.</returns>
    public TValue GetOrAdd(TKey key, Func<TKey, TValue> make)
    {
        lock (gate)
        {
            if (Use(key) is { } known)
            {
                return known;
            }

            var value = make(key);
            Put(key, value);
            return value;
        }
    }

    /// <summary>What is kept under a name.</summary>
    /// <param name="key">The name.</param>
    /// <returns>What is kept; null for nothing.</returns>
    public TValue? Find(TKey key)
    {
        lock (gate)
        {
            return Use(key);
        }
    }

    /// <summary>Keeps something under a name, instead of what was there.</summary>
    /// <param name="key">The name.</param>
    /// <param name="value">What is kept.</param>
    public void Set(TKey key, TValue value)
    {
        lock (gate)
        {
            Take(key);
            Put(key, value);
        }
    }

    /// <summary>Lets go of what is kept under a name.</summary>
    /// <param name="key">The name.</param>
    public void Remove(TKey key)
    {
        lock (gate)
        {
            Take(key);
        }
    }

    /// <summary>Lets go of what is kept under a name, unless that is just this.</summary>
    /// <param name="key">The name.</param>
    /// <param name="stays">What may stay.</param>
    public void KeepOnly(TKey key, TValue stays)
    {
        lock (gate)
        {
            if (byKey.TryGetValue(key, out var node) && !ReferenceEquals(node.Value.Value, stays))
            {
                Take(key);
            }
        }
    }

    private TValue? Use(TKey key)
    {
        if (!byKey.TryGetValue(key, out var node))
        {
            return null;
        }

        order.Remove(node);
        order.AddFirst(node);
        return node.Value.Value;
    }

    private void Put(TKey key, TValue value)
    {
        byKey[key] = order.AddFirst((key, value));
        if (byKey.Count > most)
        {
            Take(order.Last!.Value.Key);
        }
    }

    private void Take(TKey key)
    {
        if (byKey.Remove(key, out var node))
        {
            order.Remove(node);
        }
    }
}
