/** How many asks the probe answers before it lets the server go on. */
export const asksAStep = 40;

/**
 * The probe: a mod beside the one that is tried. It asks the engine what its questions say and
 * writes the answers, in their order, into the world's folder.
 */
export const probeLua = String.raw`-- Asks the engine, and writes down what it says.
local folder = minetest.get_modpath("obrank_probe")
local questions = dofile(folder .. "/questions.lua")
local out = minetest.get_worldpath() .. "/answers.json"

minetest.register_node("obrank_probe:wall", {
	description = "Wall", tiles = { "obrank_probe_wall.png" }, groups = { obrank_probe = 1 },
})
minetest.register_node("obrank_probe:lamp", {
	description = "Lamp", tiles = { "obrank_probe_wall.png" }, light_source = minetest.LIGHT_MAX,
	paramtype = "light",
})
minetest.register_node("obrank_probe:signal", {
	description = "Signal", drawtype = "airlike", walkable = false, pointable = false,
	paramtype = "light", groups = { signal = 1 },
})
for name, groups in pairs(questions.items) do
	minetest.register_craftitem("obrank_probe:" .. name, { description = name, groups = groups })
end

local middle = { x = 8, y = 8, z = 8 }
local steps = {
	north = { x = 0, y = 0, z = 1 }, south = { x = 0, y = 0, z = -1 },
	east = { x = 1, y = 0, z = 0 }, west = { x = -1, y = 0, z = 0 },
	up = { x = 0, y = 1, z = 0 }, down = { x = 0, y = -1, z = 0 },
}
local opposite = {
	north = "south", south = "north", east = "west", west = "east", up = "down", down = "up",
}

local function clear()
	for x = -2, 2 do for y = -2, 2 do for z = -2, 2 do
		local pos = vector.add(middle, { x = x, y = y, z = z })
		if minetest.get_node(pos).name ~= "air" then minetest.set_node(pos, { name = "air" }) end
	end end end
end

local function tell(node) return { node.name, node.param2 } end

-- Someone who places: a table with the methods that are called.
local function placer_at(eye, look, sneaks)
	local player = {}
	function player.get_player_name() return "" end
	function player.is_player() return false end
	function player.get_wielded_item() return ItemStack("") end
	function player.get_inventory() return nil end
	function player.get_pos() return vector.subtract(eye, { x = 0, y = 1.625, z = 0 }) end
	function player.get_properties() return { eye_height = 1.625 } end
	function player.get_eye_offset() return { x = 0, y = 0, z = 0 } end
	function player.get_look_dir() return look end
	function player.get_look_horizontal() return minetest.dir_to_yaw(look) end
	function player.get_player_control() return { sneak = sneaks } end
	return player
end

local ask = {}

function ask.node(q)
	local definition = minetest.registered_nodes[q.node]
	if not definition then return nil end
	local boxes = definition.collision_box
	return {
		drawtype = definition.drawtype,
		mesh = definition.mesh or "",
		paramtype2 = definition.paramtype2,
		light = definition.light_source,
		sunlight = definition.sunlight_propagates == true,
		walkable = definition.walkable,
		collision = boxes and boxes.fixed or {},
		groups = definition.groups,
	}
end

function ask.item(q)
	local definition = minetest.registered_items[q.item]
	if not definition then return nil end
	local names = {}
	for _, language in ipairs(q.languages) do
		names[#names + 1] = minetest.get_translated_string(language, definition.description)
	end
	return { names = names, groups = definition.groups, picture = definition.inventory_image }
end

function ask.state(q)
	clear()
	minetest.set_node(middle, { name = q.node, param2 = q.byte })
	return tell(minetest.get_node(middle))
end

-- The light of the node beside it, and what comes through it from a lamp behind it.
function ask.light(q)
	clear()
	minetest.set_node(middle, { name = q.node, param2 = q.byte })
	local beside = vector.add(middle, steps.east)
	local given = minetest.get_artificial_light(minetest.get_node(beside).param1)
	clear()
	for x = -2, 2 do for y = -1, 1 do for z = -1, 1 do
		if y ~= 0 or z ~= 0 or x == -2 or x == 2 then
			minetest.set_node(vector.add(middle, { x = x, y = y, z = z }),
				{ name = "obrank_probe:wall" })
		end
	end end end
	minetest.set_node(middle, { name = q.node, param2 = q.byte })
	minetest.set_node(vector.add(middle, steps.west), { name = "obrank_probe:lamp" })
	local through = minetest.get_artificial_light(minetest.get_node(beside).param1)
	return { given, through }
end

-- Rays from far outside straight through the cell: how far each goes until it meets the node.
function ask.rays(q)
	clear()
	minetest.set_node(middle, { name = q.node, param2 = q.byte })
	local found = {}
	for _, ray in ipairs(questions.rays) do
		local from = vector.add(middle, { x = ray[1], y = ray[2], z = ray[3] })
		local to = vector.add(middle, { x = ray[4], y = ray[5], z = ray[6] })
		local far = -1
		for pointed in minetest.raycast(from, to, false, false) do
			if far < 0 and pointed.type == "node" and vector.equals(pointed.under, middle) then
				far = vector.distance(from, pointed.intersection_point)
			end
		end
		found[#found + 1] = math.floor(far * 10000 + 0.5) / 10000
	end
	return found
end

function ask.turned(q)
	local found = {}
	for _, rotation in ipairs({ "90", "180", "270" }) do
		clear()
		minetest.place_schematic(middle, {
			size = { x = 1, y = 1, z = 1 },
			data = { { name = q.node, param2 = q.byte, prob = 255, force_place = true } },
		}, rotation, nil, true)
		found[#found + 1] = tell(minetest.get_node(middle))
	end
	return found
end

function ask.placed(q)
	clear()
	local against = steps[opposite[q.clicked]]
	local under = vector.add(middle, against)
	minetest.set_node(under, { name = "obrank_probe:wall" })
	for direction, name in pairs(q.neighbours) do
		minetest.set_node(vector.add(middle, steps[direction]), { name = name })
	end
	for direction, one in pairs(q.beside) do
		minetest.set_node(vector.add(middle, steps[direction]), { name = one.node, param2 = one.byte })
	end
	-- The point that is clicked, on the side of the node below, in the lower or the upper half.
	local hit = vector.add(middle, vector.multiply(against, 0.5))
	local face = steps[q.clicked]
	if face.y == 0 then hit.y = hit.y + (q.half == "upper" and 0.25 or -0.25) end
	local look
	if q.pitch == "level" then
		look = vector.add(steps[q.looks], vector.multiply(against, 0.4))
	else
		look = vector.add(vector.multiply(steps[q.looks], 0.4), steps[q.pitch])
		look = vector.add(look, vector.multiply(against, 0.2))
	end
	local player = placer_at(vector.subtract(hit, vector.multiply(look, 2)), look, q.crouching)
	local stack = ItemStack(q.item)
	for name, value in pairs(q.carried) do stack:get_meta():set_string("state_" .. name, value) end
	local pointed = { type = "node", under = under, above = vector.new(middle) }
	local definition = minetest.registered_items[q.item]
	definition.on_place(stack, player, pointed)
	return tell(minetest.get_node(middle))
end

-- What a word for a stack says: the item with what it carries, and how many.
local function read_stack(word, keeps)
	local plain, number = word:match("^(%S+) (%d+)$")
	if plain then return plain, tonumber(number) end
	local stack = ItemStack(word)
	local key = stack:get_name()
	for _, name in ipairs(keeps) do
		local value = stack:get_meta():get_string("state_" .. name)
		if value ~= "" then key = key .. " " .. name .. "=" .. value end
	end
	return key, stack:get_count()
end

-- What comes out of digging again and again, twice over.
function ask.drops(q)
	local runs = {}
	for run = 1, 2 do
		local tally, sums = {}, {}
		for _ = 1, q.times do
			for _, word in ipairs(minetest.get_node_drops({ name = q.node, param2 = q.byte }, q.tool)) do
				local key, count = read_stack(word, q.keeps)
				tally[key] = (tally[key] or 0) + 1
				sums[key] = (sums[key] or 0) + count
			end
		end
		runs[run] = { tally = tally, sums = sums }
	end
	return runs
end

function ask.digging(q)
	local groups = (minetest.registered_nodes[q.node] or {}).groups or {}
	local found = {}
	for _, tool in ipairs(q.tools) do
		local held = ItemStack(tool)
		local params = minetest.get_dig_params(groups, held:get_tool_capabilities())
		found[#found + 1] = params.diggable and params.time or -1
	end
	return found
end

function ask.recipe(q)
	local result = minetest.get_craft_result({ method = q.method, width = q.width, items = q.items })
	return { result.item:get_name(), result.item:get_count(), result.time }
end

-- A fluid poured on flat ground, then a second source beside it, then both taken away: answers come
-- once nothing has moved for a while.
local function wet_cells(q)
	local found = {}
	for x = -12, 12 do for z = -12, 12 do
		local pos = vector.add(middle, { x = x, y = 0, z = z })
		local name = minetest.get_node(pos).name
		if name ~= "air" then found[#found + 1] = { x = x, z = z, name = name } end
	end end
	return found
end

local function flat_ground()
	-- Nothing of it is put away while one waits.
	for x = -16, 16, 16 do for z = -16, 16, 16 do
		minetest.forceload_block(vector.add(middle, { x = x, y = 0, z = z }), true)
	end end
	for x = -12, 12 do for z = -12, 12 do for y = -1, 1 do
		minetest.set_node(vector.add(middle, { x = x, y = y, z = z }),
			{ name = y == -1 and "obrank_probe:wall" or "air" })
	end end end
end

local function at_rest(q, last, quiet, left, done)
	local cells = wet_cells(q)
	local words = minetest.write_json(cells)
	quiet = words == last and quiet + 1 or 0
	if quiet >= 12 or left == 0 then return done(cells) end
	minetest.after(0.1, at_rest, q, words, quiet, left - 1, done)
end

local function farthest(cells)
	local far = 0
	for _, cell in ipairs(cells) do far = math.max(far, math.abs(cell.x) + math.abs(cell.z)) end
	return far
end

local later = {}
function later.fluid(q, done)
	flat_ground()
	minetest.set_node(middle, { name = q.source })
	at_rest(q, "", 0, 400, function(cells)
		local far, many = farthest(cells), #cells
		minetest.set_node(vector.add(middle, { x = 2, y = 0, z = 0 }), { name = q.source })
		at_rest(q, "", 0, 400, function()
			local between = minetest.get_node(vector.add(middle, { x = 1, y = 0, z = 0 })).name
			minetest.remove_node(middle)
			minetest.remove_node(vector.add(middle, { x = 1, y = 0, z = 0 }))
			minetest.remove_node(vector.add(middle, { x = 2, y = 0, z = 0 }))
			at_rest(q, "", 0, 400, function(dry)
				local left = {}
				for _, cell in ipairs(dry) do left[cell.name] = true end
				local names = {}
				for name in pairs(left) do names[#names + 1] = name end
				table.sort(names)
				for x = -12, 12 do for z = -12, 12 do for y = -1, 0 do
					minetest.remove_node(vector.add(middle, { x = x, y = y, z = z }))
				end end end
				done({ far, many, between == q.source, table.concat(names, " ") })
			end)
		end)
	end)
end

function ask.reaction(q)
	clear()
	minetest.set_node(vector.add(middle, steps.down), { name = "obrank_probe:wall" })
	minetest.set_node(middle, { name = q.node, param2 = q.byte })
	local before = minetest.get_meta(middle):get_int("signal")
	local player = placer_at(vector.add(middle, { x = 0, y = 1, z = -2 }), steps.north, false)
	if q.event == "used" then
		local definition = minetest.registered_nodes[q.node]
		if not definition.on_rightclick then return { "no answer", 0, 0 } end
		definition.on_rightclick(middle, minetest.get_node(middle), player, ItemStack(""))
	else
		_G[q.mod].happen(middle, q.event, {})
	end
	local after = tell(minetest.get_node(middle))
	after[3] = minetest.get_meta(middle):get_int("signal")
	return after
end

local function finish(answers, problem)
	local data = { answers = answers, problem = problem, engine = minetest.get_version().string }
	minetest.safe_file_write(out, minetest.write_json(data))
	minetest.request_shutdown()
end

local answers, at = {}, 0
local function go_on()
	local last = math.min(#questions.asks, at + questions.step)
	while at < last do
		at = at + 1
		local one = questions.asks[at]
		if later[one.kind] then
			later[one.kind](one, function(answer)
				answers[at] = answer
				print("asked " .. at .. " of " .. #questions.asks)
				if at < #questions.asks then minetest.after(0, go_on) else finish(answers) end
			end)
			return
		end
		local fine, answer = pcall(ask[one.kind], one)
		if fine then answers[at] = answer == nil and "nothing" or answer
		else answers[at] = { failed = tostring(answer) } end
	end
	print("asked " .. at .. " of " .. #questions.asks)
	if at < #questions.asks then minetest.after(0, go_on) else finish(answers) end
end

minetest.register_on_mods_loaded(function()
	math.randomseed(questions.seed)
	minetest.after(0, function()
		local from = vector.subtract(middle, 24)
		minetest.emerge_area(from, vector.add(middle, 24), function(_, _, left)
			if left == 0 then go_on() end
		end)
	end)
end)
`;
