-- A teacher at work, as wrk asks for one connection: a page, a pause, the next; one in ten sends a log of practice.
-- Who they are, and what they may ask for, stands in the file that TEACHERS names: a cookie, a token and paths a line.
local teachers = {}
for line in io.lines(os.getenv("TEACHERS")) do
    local words = {}
    for word in line:gmatch("%S+") do words[#words + 1] = word end
    teachers[#teachers + 1] = words
end
local pause = tonumber(os.getenv("PAUSE_MS"))
local ids = 0

function init()
    math.randomseed(os.time() + tonumber(tostring({}):match("0x(%x+)"), 16) % 1000000)
end

-- Never so long that the server takes who has just come for somebody who says nothing.
function delay()
    return math.random(math.floor(pause * 0.6), math.floor(pause * 1.4))
end

local function uuid()
    return (("xxxxxxxx-xxxx-4xxx-8xxx-xxxxxxxxxxxx"):gsub("x", function()
        return ("%x"):format(math.random(0, 15))
    end))
end

function request()
    local one = teachers[math.random(#teachers)]
    if math.random(10) == 1 then
        return wrk.format("POST", one[3] .. "/log",
            { Cookie = one[1], ["X-Token"] = one[2], ["Content-Type"] = "application/json", Host = wrk.headers.Host },
            ('{"id":"%s","on":"%s","items":[],"pains":[],"note":""}'):format(uuid(), os.date("!%Y-%m-%d")))
    end
    return wrk.format("GET", one[math.random(4, #one)], { Cookie = one[1], Host = wrk.headers.Host })
end

function done(summary, latency)
    local errors = summary.errors.connect + summary.errors.read + summary.errors.write + summary.errors.status + summary.errors.timeout
    io.write(("RESULT %d %.1f %.0f %.0f %.0f %d\n"):format(summary.requests, summary.requests / (summary.duration / 1e6),
        latency:percentile(50) / 1000, latency:percentile(95) / 1000, latency.max / 1000, errors))
end
